<?php

namespace Tests\Feature;

use App\Identity\PeopleSessions;
use App\Mail\AccountChanged;
use App\Mail\Invitation;
use App\Mail\NewPassword;
use App\Models\AuditEntry;
use App\Models\CaughtMail;
use App\Models\Membership;
use App\Models\User;
use App\Security\DemoPeople;
use App\Security\Totp;
use Illuminate\Database\QueryException;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\Session;
use Illuminate\Testing\TestResponse;
use Inertia\Testing\AssertableInertia;
use Tests\TestCase;

/** Who gets in, who is let go, and what of it the owner can read later. */
final class PeopleTest extends TestCase
{
    private const OWN = ['Sec-Fetch-Site' => 'same-origin'];

    private const WORDS = 'seven herons over salt';

    /** With sessions and cookies as a browser has them. */
    protected function setUp(): void
    {
        parent::setUp();
        config(['session.driver' => 'people']);
        $this->withCredentials();
        Mail::fake();
    }

    /** @return TestResponse<Response> */
    public function call($method, $uri, $parameters = [], $cookies = [], $files = [], $server = [], $content = null): TestResponse
    {
        Auth::forgetGuards();
        Session::forgetDrivers();
        $this->app->forgetInstance('session.store');
        $response = parent::call($method, $uri, $parameters, $this->unencryptedCookies + $cookies, $files, $server, $content);
        foreach ($response->headers->getCookies() as $cookie) {
            if ($cookie->isCleared()) {
                unset($this->unencryptedCookies[$cookie->getName()]);
            } else {
                $this->unencryptedCookies[$cookie->getName()] = (string) $cookie->getValue();
            }
        }

        return $response;
    }

    /** Signed in as one of the demo's people. */
    private function as(string $role): self
    {
        $this->unencryptedCookies = [];
        foreach (DemoPeople::ALL as $person) {
            $person['role'] === $role && $this->signIn($person['email'], $person['password'])->assertRedirect('/');
        }

        return $this;
    }

    /** @return TestResponse<Response> */
    private function signIn(string $email, string $password): TestResponse
    {
        return $this->post('/sign-in', ['email' => $email, 'password' => $password], self::OWN);
    }

    /** @return TestResponse<Response> */
    private function invite(string $role = 'tuner', string $email = 'Mael@Saltmarsh.test'): TestResponse
    {
        return $this->as('owner')->postJson('/people', ['name' => 'Mael Orrin', 'email' => $email, 'role' => $role]);
    }

    private function invited(): User
    {
        $this->invite()->assertCreated();

        return User::query()->where('email', 'mael@saltmarsh.test')->firstOrFail();
    }

    private function membership(string $role): Membership
    {
        return Membership::query()->where('role', $role)->firstOrFail();
    }

    public function test_who_is_invited_chooses_a_password_by_a_link_that_is_good_once(): void
    {
        $person = $this->invited();
        self::assertNull($person->password);
        $link = '';
        Mail::assertQueued(Invitation::class, function (Invitation $mail) use (&$link): bool {
            $link = $mail->link;

            return $mail->hasTo('mael@saltmarsh.test') && $mail->role === 'tuner';
        });
        self::assertStringStartsWith(rtrim((string) config('app.url'), '/').'/password/', $link);
        $path = substr($link, strlen(rtrim((string) config('app.url'), '/')));
        $this->post('/sign-out');
        $this->get($path)->assertOk()->assertSee('Mael Orrin');
        $this->post($path, ['password' => 'short', 'again' => 'short'], self::OWN)->assertStatus(422)->assertSee('12 characters');
        $this->post($path, ['password' => self::WORDS, 'again' => 'else'], self::OWN)->assertStatus(422)->assertSee('not the same');
        $this->post($path, ['password' => self::WORDS, 'again' => self::WORDS], self::OWN)->assertRedirect('/sign-in');
        $this->get($path)->assertStatus(410)->assertSee('used up');
        $this->post($path, ['password' => 'another four good words', 'again' => 'another four good words'], self::OWN)->assertStatus(410);
        $this->get(substr($path, 0, -1).'_')->assertStatus(410);
        $this->signIn('MAEL@saltmarsh.test', self::WORDS)->assertRedirect('/');
        self::assertSame('tuner', $this->getJson('/me')->json('role'));
    }

    public function test_the_host_of_a_request_never_enters_a_mail(): void
    {
        $this->as('owner')->postJson('/people', ['name' => 'X', 'email' => 'x@saltmarsh.test', 'role' => 'advisor'], ['Host' => 'evil.test'])->assertCreated();
        Mail::assertQueued(Invitation::class, fn (Invitation $mail): bool => ! str_contains($mail->link, 'evil'));
    }

    public function test_a_person_stands_once_in_a_shop_whatever_the_case_of_their_address(): void
    {
        $this->invite()->assertCreated();
        $this->invite('advisor', 'MAEL@saltmarsh.test')->assertStatus(422)->assertJsonPath('message', 'mael@saltmarsh.test is in this shop already: change the role, or reactivate the person.');
    }

    public function test_a_forgotten_password_is_answered_alike_for_everybody(): void
    {
        $known = $this->post('/forgotten', ['email' => 'INES@saltmarsh.test'], self::OWN)->assertOk();
        $unknown = $this->post('/forgotten', ['email' => 'nobody@saltmarsh.test'], self::OWN)->assertOk();
        self::assertSame($known->getContent(), $unknown->getContent());
        $this->work();
        Mail::assertQueued(NewPassword::class, 1);
        Mail::assertQueued(NewPassword::class, fn (NewPassword $mail): bool => $mail->hasTo('ines@saltmarsh.test'));
    }

    public function test_deactivating_takes_access_away_at_once_and_keeps_the_name_on_what_was_done(): void
    {
        $this->signIn('tove@saltmarsh.test', 'lantern-and-keel')->assertRedirect('/');
        self::assertSame(1, DB::table('sessions')->where('user_id', $this->person('tuner')->id)->count());
        $kept = $this->unencryptedCookies;
        $tove = $this->membership('tuner');
        $this->postJson("/plans/{$this->plan()->id}/edits", [...self::named(), 'seen' => $this->job()->version, 'commands' => [['do' => 'rename-plan', 'name' => 'Tove’s way']]])->assertOk();
        $this->as('owner')->postJson("/people/{$tove->id}/deactivation")->assertOk()->assertJsonFragment(['state' => 'deactivated']);
        self::assertSame(0, DB::table('sessions')->where('user_id', $tove->user_id)->count());
        $this->unencryptedCookies = $kept;
        $this->getJson('/me')->assertStatus(401);
        $this->signIn('tove@saltmarsh.test', 'lantern-and-keel')->assertStatus(422)->assertSee('do not belong together');
        $history = $this->as('advisor')->getJson("/plans/{$this->plan()->id}/revisions")->assertOk();
        self::assertStringContainsString('Tove Marrish', (string) $history->getContent());
        $this->as('owner')->deleteJson("/people/{$tove->id}/deactivation")->assertOk();
        $this->post('/sign-out');
        $this->signIn('tove@saltmarsh.test', 'lantern-and-keel')->assertRedirect('/');
    }

    public function test_a_shop_keeps_an_owner(): void
    {
        $owner = $this->membership('owner');
        $this->as('owner')->putJson("/people/{$owner->id}/role", ['role' => 'advisor'])->assertStatus(422)->assertJsonPath('message', 'Odd Lindqvar is the only owner: make another person an owner first.');
        $this->postJson("/people/{$owner->id}/deactivation")->assertStatus(422);
        $this->putJson("/people/{$this->membership('advisor')->id}/role", ['role' => 'owner'])->assertOk();
        $this->putJson("/people/{$owner->id}/role", ['role' => 'tuner'])->assertOk();
        $this->getJson('/people')->assertStatus(403);
    }

    public function test_a_changed_password_ends_every_other_session(): void
    {
        $this->signIn('ines@saltmarsh.test', 'tide-and-stone')->assertRedirect('/');
        $ines = $this->person('advisor');
        DB::table('sessions')->insert(['id' => str_repeat('a', 64), 'user_id' => $ines->id, 'payload' => '', 'last_activity' => time(), 'began_at' => time()]);
        $change = fn (array $more): TestResponse => $this->putJson('/account/password', ['now' => 'tide-and-stone', 'password' => self::WORDS, 'again' => self::WORDS, ...$more]);
        $change(['now' => 'wrong'])->assertStatus(422)->assertJsonPath('message', 'This is not your password.');
        $change(['password' => 'ines harrow 1', 'again' => 'ines harrow 1'])->assertStatus(422);
        $change(['password' => 'aaaaaaaaaaaaaaaa', 'again' => 'aaaaaaaaaaaaaaaa'])->assertStatus(422);
        Mail::assertNothingQueued();
        $change([])->assertOk();
        Mail::assertQueued(AccountChanged::class, fn (AccountChanged $mail): bool => $mail->hasTo('ines@saltmarsh.test') && str_contains($mail->render(), 'your password was changed at Pebblerun on'));
        self::assertSame([false], DB::table('sessions')->where('user_id', $ines->id)->pluck('id')->map(fn (string $id): bool => $id === str_repeat('a', 64))->all(), 'this one goes on');
        $this->post('/sign-out');
        $this->signIn('ines@saltmarsh.test', 'tide-and-stone')->assertStatus(422);
        $this->signIn('ines@saltmarsh.test', self::WORDS)->assertRedirect('/');
    }

    public function test_ones_own_sessions_are_listed_and_ended_and_nobody_elses(): void
    {
        $this->signIn('ines@saltmarsh.test', 'tide-and-stone');
        $row = ['payload' => '', 'last_activity' => time(), 'began_at' => time(), 'ip_address' => '127.0.0.9', 'user_agent' => 'Firefox/150'];
        DB::table('sessions')->insert([...$row, 'id' => str_repeat('b', 64), 'user_id' => $this->person('advisor')->id]);
        DB::table('sessions')->insert([...$row, 'id' => str_repeat('c', 64), 'user_id' => $this->person('owner')->id]);
        $this->deleteJson('/account/sessions/'.str_repeat('c', 64))->assertOk()->assertJsonCount(2);
        self::assertSame(1, DB::table('sessions')->where('id', str_repeat('c', 64))->count(), 'the owner’s goes on');
        $this->deleteJson('/account/sessions/'.str_repeat('b', 64))->assertOk()->assertJsonCount(1)->assertJsonPath('0.here', true);
    }

    public function test_a_visitor_has_no_session_row_and_one_that_was_ended_is_not_written_anew(): void
    {
        $this->get('/sign-in')->assertOk();
        $this->signIn('ines@saltmarsh.test', 'wrong');
        self::assertSame(0, DB::table('sessions')->count());
        $this->signIn('ines@saltmarsh.test', 'tide-and-stone');
        self::assertSame(1, DB::table('sessions')->count());
        $kept = (string) DB::table('sessions')->value('id');
        self::assertSame(64, strlen($kept));
        self::assertSame(PeopleSessions::name(session()->getId()), $kept, 'a row is named by the hash of its id');
        DB::table('sessions')->delete();
        $this->getJson('/me')->assertStatus(401);
        self::assertSame(0, DB::table('sessions')->count());
    }

    public function test_a_second_factor_is_asked_and_each_code_is_good_once(): void
    {
        $this->signIn('ines@saltmarsh.test', 'tide-and-stone');
        $this->postJson('/account/factor', ['now' => 'wrong'])->assertStatus(422);
        $secret = $this->postJson('/account/factor', ['now' => 'tide-and-stone'])->assertOk()->json('secret');
        $this->putJson('/account/factor', ['code' => '000000'])->assertStatus(422);
        $code = fn (int $ahead = 0): string => Totp::at(Totp::decode($secret), intdiv(time(), 30) + $ahead);
        $recovery = $this->putJson('/account/factor', ['code' => $code()])->assertOk()->json('recovery_codes');
        self::assertCount(10, $recovery);
        $this->postJson('/account/factor', ['now' => 'tide-and-stone'])->assertStatus(422);
        $this->post('/sign-out');

        $this->get('/sign-in/code')->assertRedirect('/sign-in');
        $this->signIn('ines@saltmarsh.test', 'tide-and-stone')->assertRedirect('/sign-in/code');
        $this->getJson('/me')->assertStatus(401);
        $confirm = fn (string $typed): TestResponse => $this->post('/sign-in/code', ['code' => $typed], self::OWN);
        $confirm($code())->assertStatus(422)->assertSee('used before');
        $confirm($code(1))->assertRedirect('/');
        $this->getJson('/me')->assertOk();
        $this->post('/sign-out');
        $this->signIn('ines@saltmarsh.test', 'tide-and-stone');
        $told = fn (string $words): bool => Mail::queued(AccountChanged::class, fn (AccountChanged $mail): bool => str_contains($mail->what, $words))->count() === 1;
        self::assertTrue($told('turned on'));
        self::assertFalse($told('recovery codes'));
        $confirm(' '.strtoupper($recovery[3]).' ')->assertRedirect('/');
        self::assertTrue($told('recovery codes'));
        $this->post('/sign-out');
        $this->signIn('ines@saltmarsh.test', 'tide-and-stone');
        $confirm($recovery[3])->assertStatus(422);
        self::assertCount(9, $this->person('advisor')->recovery_codes ?? []);
    }

    public function test_the_trail_tells_what_happened_and_stays(): void
    {
        $this->signIn('ines@saltmarsh.test', 'wrong');
        $this->signIn('ines@saltmarsh.test', 'tide-and-stone');
        $this->get("/plans/{$this->plan()->id}/bundle")->assertOk();
        $this->postJson("/plans/{$this->plan()->id}/edits", [...self::named(), 'seen' => $this->job()->version, 'commands' => [['do' => 'accept', 'stage' => 's3', 'limit' => 'box', 'reason' => 'knows it']]])->assertOk();
        $this->invite();
        $trail = $this->as('owner')->getJson('/audit')->assertOk()->json('entries');
        self::assertSame(['signed in', 'invited a person', 'signed in', 'accepted a limit past safe', 'exported a plan', 'signed in', 'sign-in refused'], array_column($trail, 'what'));
        self::assertSame('Odd Lindqvar', $trail[0]['who']);
        $this->stranger()->update(['password' => self::WORDS]);
        $this->unencryptedCookies = [];
        $this->signIn('pell-owner@dunlin.test', self::WORDS);
        self::assertSame(['Pell'], array_unique(array_column($this->getJson('/audit')->json('entries'), 'who')), 'another shop reads its own');
        foreach ([fn () => AuditEntry::query()->update(['who' => 'X']), fn () => AuditEntry::query()->delete()] as $change) {
            try {
                DB::transaction($change);
                self::fail('it was changed');
            } catch (QueryException $fault) {
                self::assertStringContainsString('only ever added to', $fault->getMessage());
            }
        }
    }

    public function test_people_and_shops_are_made_by_command(): void
    {
        $run = fn (string $command, array $with): array => [Artisan::call($command, $with), trim(Artisan::output())];
        self::assertSame(2, $run('shop:create', ['file' => base_path('demo/shop.json')])[0]);
        self::assertSame(1, $run('shop:create', ['file' => base_path('demo/shop.json'), '--owner' => 'A', '--email' => 'a@x.test'])[0]);
        $shop = json_decode((string) file_get_contents(base_path('demo/shop.json')), true);
        $shop['shop']['name'] = 'Dunlin Works';
        $file = tempnam(sys_get_temp_dir(), 'shop');
        file_put_contents((string) $file, json_encode($shop));
        self::assertSame(0, $run('shop:create', ['file' => $file, '--owner' => 'Ada Fenn', '--email' => 'ada@dunlin.test'])[0]);
        Mail::assertQueued(Invitation::class, fn (Invitation $mail): bool => $mail->shop === 'Dunlin Works' && $mail->role === 'owner');
        self::assertSame([2, 'There is no shop "Nowhere": there is Dunlin Works, Saltmarsh Speed Works.'], $run('person:invite', ['shop' => 'Nowhere', 'name' => 'X', 'email' => 'x@x.test', 'role' => 'tuner']));
        self::assertSame([2, '"chief" is no role: use one of owner, advisor, tuner, technician.'], $run('person:role', ['shop' => 'Dunlin Works', 'email' => 'ada@dunlin.test', 'role' => 'chief']));
        self::assertSame(0, $run('person:invite', ['shop' => 'Dunlin Works', 'name' => 'Bo Fenn', 'email' => 'bo@dunlin.test', 'role' => 'tuner'])[0]);
        self::assertSame([0, 'Bo Fenn is technician now.'], $run('person:role', ['shop' => 'Dunlin Works', 'email' => 'bo@dunlin.test', 'role' => 'technician']));
        self::assertSame([0, 'Bo Fenn has no access any more.'], $run('person:deactivate', ['shop' => 'Dunlin Works', 'email' => 'bo@dunlin.test']));
        self::assertStringContainsString('/password/', $run('person:password', ['email' => 'BO@dunlin.test'])[1]);
        self::assertSame(2, $run('person:password', ['email' => 'nobody@dunlin.test'])[0]);
    }

    public function test_a_person_of_two_shops_is_asked_into_the_second_with_what_they_have(): void
    {
        $stranger = $this->stranger('advisor');
        $stranger->update(['password' => self::WORDS]);
        $this->invite('technician', $stranger->email)->assertCreated();
        Mail::assertQueued(Invitation::class, fn (Invitation $mail): bool => str_ends_with($mail->link, '/account'));
        self::assertSame(2, $stranger->memberships()->count());
        $row = array_column($this->as('owner')->get('/people')->viewData('page')['props']['people'], null, 'email')[$stranger->email];
        self::assertSame(['Mael Orrin', 'invited', false, null], [$row['name'], $row['state'], $row['second_factor'], $row['signed_in_at']], 'what who asked them said, and nothing of their own');

        $in = function () use ($stranger): void {
            $this->unencryptedCookies = [];
            $this->signIn($stranger->email, self::WORDS)->assertRedirect('/');
        };
        $in();
        $asked = $this->get('/account')->viewData('page')['props'];
        self::assertSame(['Saltmarsh Speed Works', 'technician'], [$asked['invitations'][0]['name'], $asked['invitations'][0]['role']]);
        $this->putJson('/account/shop', ['shop' => $this->job()->shop_id])->assertStatus(422);
        $at = "/account/invitations/{$asked['invitations'][0]['id']}";
        $this->as('owner')->putJson($at)->assertNotFound();
        $in();
        $this->putJson($at)->assertOk()->assertJsonPath('invitations', [])->assertJsonCount(2, 'shops');
        $this->putJson($at)->assertNotFound();
        $this->putJson('/account/shop', ['shop' => $this->job()->shop_id])->assertOk();
        self::assertSame('technician', $this->getJson('/me')->json('role'));
    }

    /** Caught mail is the shop's; a link in it is for who has no shop beside it, and is never one of another shop. */
    public function test_caught_mail_shows_no_link_that_opens_another_shop(): void
    {
        config(['mail.catcher' => true]);
        $shop = $this->job()->shop_id;
        $stranger = $this->stranger('advisor');
        $tuner = $this->person('tuner');
        $mail = fn (?int $shop, ?int $user, string $to): CaughtMail => CaughtMail::create(['shop_id' => $shop, 'user_id' => $user, 'recipients' => $to, 'subject' => "for {$to}", 'body' => "Open http://127.0.0.1/password/secret-{$to} now"]);
        $mail($shop, $tuner->id, 'tove');
        $mail($stranger->shop_id, $stranger->id, 'pell');
        $mail(null, null, 'nobody');
        $this->as('owner')->get('/caught-mail')->assertOk()->assertSee('secret-tove')->assertDontSee('pell')->assertDontSee('nobody');
        self::assertStringNotContainsString('secret', (string) DB::table('caught_mails')->value('body'), 'it lies encrypted');
        $tuner->memberships()->create(['shop_id' => $stranger->shop_id, 'role' => 'technician', 'accepted_at' => now()]);
        $this->get('/caught-mail')->assertOk()->assertSee('for tove')->assertDontSee('secret-tove')->assertSee('a link that is for its reader alone');
        $this->as('advisor')->getJson('/caught-mail')->assertForbidden();
        config(['mail.catcher' => false]);
        $this->as('owner')->getJson('/caught-mail')->assertNotFound();
    }

    public function test_a_person_of_two_shops_goes_from_one_to_the_other_and_to_no_third(): void
    {
        $person = $this->person('advisor');
        $shop = $this->stranger()->shop_id;
        $this->as('advisor')->putJson('/account/shop', ['shop' => $shop])->assertStatus(422)->assertJsonValidationErrors(['shop' => 'You do not belong to this shop.']);
        $there = $person->memberships()->create(['shop_id' => $shop, 'role' => 'technician', 'accepted_at' => now()]);
        $this->putJson('/account/shop', ['shop' => $shop])->assertOk()->assertJsonPath('0', ['id' => $shop, 'name' => 'Dunlin Works', 'role' => 'technician', 'here' => true]);
        $this->get('/')->assertInertia(fn (AssertableInertia $page) => $page->where('shop', 'Dunlin Works')->has('jobs', 0));
        self::assertSame('technician', $this->getJson('/me')->json('role'));
        $this->getJson("/plans/{$this->plan()->id}")->assertNotFound();
        $this->putJson('/account/shop', ['shop' => $this->job()->shop_id])->assertOk();
        $there->update(['deactivated_at' => now()]);
        $this->putJson('/account/shop', ['shop' => $shop])->assertStatus(422);
        $this->getJson("/plans/{$this->plan()->id}")->assertOk();
    }

    public function test_forms_of_visitors_are_taken_from_here_alone(): void
    {
        $form = ['email' => 'ines@saltmarsh.test', 'password' => 'tide-and-stone'];
        foreach ([['Sec-Fetch-Site' => 'cross-site'], ['Sec-Fetch-Site' => 'same-site'], ['Origin' => 'https://evil.test'], []] as $headers) {
            $this->post('/sign-in', $form, $headers)->assertStatus(419);
        }
        $this->getJson('/me')->assertStatus(401);
        $this->post('/sign-in', $form, ['Origin' => (string) config('app.url')])->assertRedirect('/');
    }

    public function test_the_way_on_after_the_sign_in_stays_here(): void
    {
        $this->get('/people?x=1')->assertRedirect('/sign-in?next='.rawurlencode('/people?x=1'));
        $in = fn (string $next): string => (string) $this->post('/sign-in', ['email' => 'ines@saltmarsh.test', 'password' => 'tide-and-stone', 'next' => $next], self::OWN)->headers->get('Location');
        foreach (['/account' => '/account', '//evil.test' => '/', '/\\evil.test' => '/', 'https://evil.test' => '/', "/x\nSet-Cookie: a=b" => '/'] as $asked => $gone) {
            self::assertSame($gone, $in($asked), $asked);
            $this->post('/sign-out');
        }
    }
}
