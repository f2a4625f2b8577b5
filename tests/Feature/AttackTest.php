<?php

namespace Tests\Feature;

use App\Http\Door;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Route;
use PDO;
use PDOException;
use Pebblerun\Formats\JsonBounds;
use PHPUnit\Framework\Attributes\DataProvider;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\TestCase;

/** What a stranger would try: bodies that are too much or nonsense, hosts and headers that lie, rights that the web has no use for. */
final class AttackTest extends TestCase
{
    private const BODIES = 1000;

    /** Strings that break something somewhere. */
    private const NASTY = ["\u{202e}abc", '\'; drop table plans; --', '<img src=x onerror=alert(1)>', '{{7*7}}', '../../etc/passwd', '=cmd|\'/c calc\'!A1', '9999999999999999999999', '-1', '', 'null', "\u{0}", '%00', "a\u{0301}", '𝔘𝔫𝔦'];

    public function test_no_body_makes_it_fail(): void
    {
        $plan = $this->plan();
        $named = fn (int $seed): array => ['request' => hash('xxh128', "attack {$seed}"), 'queue' => str_repeat('a', 16), 'seen' => 1];
        $targets = [
            ['POST', "/plans/{$plan->id}/edits", fn (int $seed): array => [...$named($seed), 'commands' => [['do' => 'fit', 'stage' => 's1', 'part' => 'brimstall-lyre-catback', 'basis' => 'new', 'quantity' => 1], ['do' => 'hold', 'stage' => 's1', 'torque' => 300, 'from_rpm' => 2000, 'to_rpm' => 3000]]]],
            ['POST', "/plans/{$plan->id}/edits", fn (int $seed): array => [...$named($seed), 'step' => ['do' => 'undo', 'of' => 1]]],
            ['POST', "/jobs/{$this->job()->id}/brief/edits", fn (int $seed): array => [...$named($seed), 'answers' => [['place' => 'target', 'value' => ['power' => 290]], ['place' => 'received.baseline', 'value' => ['points' => [['rpm' => 1500, 'torque' => 150], ['rpm' => 3000, 'torque' => 200], ['rpm' => 6000, 'torque' => 150]]]]]]],
            ['POST', '/jobs', fn (int $seed): array => ['platform' => 1, 'title' => 'X', 'customer' => 'Y']],
            ['POST', "/plans/{$plan->id}/variants", fn (int $seed): array => ['name' => 'v', 'revision' => 1]],
            ['POST', '/people', fn (int $seed): array => ['name' => 'X', 'email' => "x{$seed}@x.test", 'role' => 'tuner']],
            ['PUT', '/account/password', fn (int $seed): array => ['now' => 'x', 'password' => 'y', 'again' => 'z']],
            ['POST', '/summaries', fn (int $seed): array => ['jobs' => [1, 2]]],
            ['PUT', '/me', fn (int $seed): array => ['units' => ['power' => 'hp', 'torque' => 'Nm', 'pressure' => 'bar', 'temperature' => 'C', 'mass' => 'kg'], 'numerals' => 'comma']],
            ['GET', "/plans/{$plan->id}/cell", fn (int $seed): array => ['slot' => 'turbo', 'stage' => 2]],
            ['GET', '/', fn (int $seed): array => ['q' => 'x', 'sort' => 'latest', 'page' => 1, 'due' => 'ready']],
            ['GET', '/customers', fn (int $seed): array => ['q' => 'tollef']],
            ['POST', '/sign-in', fn (int $seed): array => ['email' => 'a@b.test', 'password' => 'x']],
        ];
        $owner = $this->person('owner');
        $seen = [];
        for ($seed = 1; $seed <= self::BODIES; $seed++) {
            $random = new Randomizer(new Mt19937($seed));
            [$method, $address, $body] = $targets[$random->getInt(0, count($targets) - 1)];
            $sent = $body($seed);
            for ($change = $random->getInt(1, 3); $change > 0; $change--) {
                $sent = self::changed($sent, $random);
            }
            DB::beginTransaction();
            $status = $this->actingAs($owner)->json($method, $method === 'GET' ? "{$address}?".http_build_query(is_array($sent) ? $sent : ['x' => $sent]) : $address, is_array($sent) ? $sent : ['x' => $sent])->status();
            DB::rollBack();
            self::assertLessThan(500, $status, "seed {$seed}: {$method} {$address} with ".json_encode($sent));
            $seen[$status] = ($seen[$status] ?? 0) + 1;
        }
        self::assertArrayHasKey(422, $seen);
        self::assertArrayHasKey(200, $seen, 'some of them are right after all');
    }

    /** One place of a document made wrong. */
    private static function changed(mixed $value, Randomizer $random): mixed
    {
        if (is_array($value) && $value !== [] && $random->getInt(0, 4) > 0) {
            $keys = array_keys($value);
            $key = $keys[$random->getInt(0, count($keys) - 1)];
            if ($random->getInt(0, 9) === 0) {
                unset($value[$key]);

                return $value;
            }
            $value[$key] = self::changed($value[$key], $random);

            return $value;
        }

        return match ($random->getInt(0, 8)) {
            0 => null,
            1 => $random->getInt(PHP_INT_MIN, PHP_INT_MAX),
            2 => 2.0 ** $random->getInt(-300, 300),
            3 => [],
            4 => ['x' => $value],
            5 => [$value, $value],
            6 => str_repeat('long ', $random->getInt(1, 400)),
            7 => (bool) $random->getInt(0, 1),
            default => self::NASTY[$random->getInt(0, count(self::NASTY) - 1)],
        };
    }

    public function test_what_is_too_much_is_refused_before_anything_parses_it(): void
    {
        $post = fn (string $body, string $type = 'application/json', string $to = '/jobs'): int => $this->call('POST', $to, [], [], [], ['CONTENT_TYPE' => $type, 'HTTP_ACCEPT' => 'application/json', 'HTTP_SEC_FETCH_SITE' => 'same-origin'], $body)->status();
        self::assertSame(413, $post('"'.str_repeat('a', Door::BYTES).'"'));
        self::assertSame(422, $post(str_repeat('[', 100).str_repeat(']', 100)));
        self::assertSame(422, $post('{"a":'.json_encode(range(0, 5000)).'}'));
        self::assertSame(422, $post('{"a":1e999}'));
        foreach (['[1]', '"a"', '1', '{"a":', "{\"a\":\"\xff\"}"] as $none) {
            self::assertSame(400, $post($none), $none);
        }
        self::assertSame(415, $post('{"a":1}', 'text/plain'), 'another kind of body');
        self::assertSame(415, $post('a=1', 'application/x-www-form-urlencoded'));
        self::assertSame(415, $post('{}', 'application/json', '/sign-in'));
        self::assertSame(400, $post('{"title":"a"}', 'application/json', '/jobs?customer=b'), 'an address adds nothing to what is sent');
        self::assertSame(401, $post('{"title":"a"}'));
    }

    /** @return iterable<string, array{string}> */
    public static function oddQueries(): iterable
    {
        yield 'a list' => ['/sign-in?next[]=a'];
        yield 'a list with a name' => ['/sign-in?next[a][b]=c'];
        yield 'no text' => ['/sign-in?next=%ff%fe'];
        yield 'a name that is no text' => ['/sign-in?%ff=a'];
        yield 'an end of text in a path' => ['/plans/1%00'];
    }

    #[DataProvider('oddQueries')]
    public function test_an_address_that_is_odd_is_refused_without_a_word_in_the_log(string $address): void
    {
        $log = Log::spy();
        $this->get($address)->assertStatus(400);
        $this->actingAs($this->person('owner'))->get($address)->assertStatus(400);
        $log->shouldNotHaveReceived('error');
        $this->call('POST', '/sign-in', ['email' => ['a'], 'password' => 'b'], [], [], ['HTTP_SEC_FETCH_SITE' => 'same-origin'])->assertStatus(400);
    }

    /** What an attacker judged is not what would be done: the ability is asked of the body that is executed. */
    public function test_a_tuner_sets_no_agreed_price_whatever_way_it_is_written(): void
    {
        $plan = $this->plan();
        $tuner = $this->person('tuner');
        $price = ['do' => 'line', 'stage' => 's1', 'part' => 'fjellvent-panel', 'agreed' => 1];
        $body = (string) json_encode([...self::named(), 'seen' => $plan->job->version, 'commands' => [$price]]);
        $harmless = http_build_query(['commands' => [['do' => 'rename-plan', 'name' => 'x']]]);
        foreach (['application/json' => 403, 'text/plain' => 415, 'application/x-www-form-urlencoded' => 415, 'application/json; charset=utf-16' => 403, 'application/vnd.api+json' => 415, '' => 415] as $type => $status) {
            foreach (['', '?seen=1'] as $query) {
                self::assertSame($query === '' || $status === 415 ? $status : 400, $this->actingAs($tuner)->call('POST', "/plans/{$plan->id}/edits{$query}", [], [], [], ['CONTENT_TYPE' => $type, 'HTTP_ACCEPT' => 'application/json'], $body)->status(), "{$type} {$query}");
            }
            self::assertSame(400, $this->actingAs($tuner)->call('POST', "/plans/{$plan->id}/edits?{$harmless}", [], [], [], ['CONTENT_TYPE' => $type, 'HTTP_ACCEPT' => 'application/json'], $body)->status());
        }
        // Of one name twice the last counts, for who judges and who executes.
        $twice = str_replace('"commands":', '"commands":[{"do":"rename-plan","name":"x"}],"commands":', $body);
        self::assertSame(403, $this->actingAs($tuner)->call('POST', "/plans/{$plan->id}/edits", [], [], [], ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'], $twice)->status());
        self::assertSame(1, $plan->refresh()->revision);
        $many = array_fill(0, 41, ['do' => 'rename-plan', 'name' => 'x']);
        $this->edit($many, 1, 'tuner')->assertStatus(422);
        $this->edit([['do' => 'rename-plan', 'name' => "x\u{0007}"]], 1, 'tuner')->assertStatus(422);
    }

    /** @return iterable<string, array{string, ?string}> */
    public static function texts(): iterable
    {
        yield 'a plain one' => ['{"a":[1,2,{"b":"c"}]}', null];
        yield 'marks inside text count as text' => ['{"a":"'.str_repeat('[{,:', 3000).'"}', null];
        yield 'an escaped quote does not end a text' => ['{"a":"\\"'.str_repeat('[', 100).'"}', null];
        yield 'just as deep as it may be' => [str_repeat('[', 24).str_repeat(']', 24), null];
        yield 'a level deeper' => [str_repeat('[', 24 + 1).str_repeat(']', 24 + 1), 'nested deeper'];
        yield 'a text with a bracket after a blank hides nothing' => ['{"a": "[","b":'.str_repeat('[', 30).str_repeat(']', 30).'}', 'nested deeper'];
        yield 'an ordinary document with blanks' => [(string) json_encode(['a' => ['b: [', '{'], 'c' => ['d' => range(1, 900)]], JSON_PRETTY_PRINT), null];
        yield 'so many keys of one object could all fall into one place' => ['{'.implode(',', array_map(fn (int $n): string => "\"k{$n}\":0", range(0, 400))).'}', 'more than 400 entries'];
        yield 'as many in several objects are an ordinary document' => ['['.implode(',', array_fill(0, 9, '{'.implode(',', array_map(fn (int $n): string => "\"k{$n}\":0", range(1, 40))).'}')).']', null];
        yield 'a number beyond every number' => ['{"a":1e999}', 'is no number that can be worked with'];
        yield 'a number as long as a page' => ['{"a":'.str_repeat('9', 400).'}', 'is no number that can be worked with'];
        yield 'a small power is one' => ['{"a":1.5e-7,"b":2E+10}', null];
        yield 'too many entries' => ['['.str_repeat('1,', 4000 + 1).'1]', 'more entries'];
    }

    #[DataProvider('texts')]
    public function test_depth_and_entries_are_counted_without_parsing(string $json, ?string $words): void
    {
        $fault = JsonBounds::ofRequest()->fault($json);
        $words === null ? self::assertNull($fault) : self::assertStringContainsString($words, (string) $fault);
    }

    public function test_no_answer_names_a_class_or_a_file_and_every_answer_has_its_headers(): void
    {
        Route::get('/breaks', fn () => throw new \LogicException('App\\Secret at /srv/pebblerun'));
        foreach (['/breaks' => 500, '/nothing' => 404, '/plans/999999' => 401] as $address => $status) {
            foreach ([$this->get($address), $this->getJson($address)] as $i => $answer) {
                $answer->assertStatus($status === 401 && $i === 0 ? 302 : $status);
                self::assertStringNotContainsString('App\\', (string) $answer->getContent());
                self::assertStringNotContainsString('/srv', (string) $answer->getContent());
                self::assertSame('no-store, private', $answer->headers->get('Cache-Control'));
                self::assertNotNull($answer->headers->get('Content-Security-Policy'));
                self::assertMatchesRegularExpression('/^[0-9a-f]{32}$/', (string) $answer->headers->get('X-Request-Id'));
            }
        }
        $this->actingAs($this->person('owner'))->getJson('/plans/999999')->assertStatus(404)->assertJsonPath('message', 'There is nothing here. It may have been deleted, or the address has a slip in it.');
    }

    /** By hand: a cat-back at 1,000,000.00 a piece, 99 of them: 99,000,000.00 before labour and tax. */
    public function test_the_largest_price_is_exact_and_one_above_it_refused(): void
    {
        $line = fn (float $agreed): array => [['do' => 'line', 'stage' => 's1', 'part' => 'fjellvent-panel', 'agreed' => $agreed, 'quantity' => 99]];
        $this->edit($line(1_000_000), 1)->assertOk();
        $money = $this->actingAs($this->person('advisor'))->getJson("/plans/{$this->plan()->id}/stage?stage=1")->assertOk()->json('money.lines');
        $goods = array_column($money, 'goods', 'part')['fjellvent-panel'];
        self::assertEqualsWithDelta(99_000_000.0, $goods['likely'], 100.0);
        self::assertSame(round($goods['likely'], 2), (float) $goods['likely'], 'to the cent');
        $this->edit($line(1_000_000.01), 2)->assertStatus(422);
    }

    public function test_a_redirect_stays_on_the_host_and_secure_answers_say_so(): void
    {
        self::assertSame('/sign-in', $this->get('/')->headers->get('Location'));
        self::assertNull($this->get('/sign-in')->headers->get('Strict-Transport-Security'));
        self::assertSame('max-age=31536000', $this->get('https://127.0.0.1/sign-in')->headers->get('Strict-Transport-Security'));
    }

    /** As the web's role the database lets rows be read and written, and nothing else. */
    public function test_the_webs_role_has_only_the_rights_it_needs(): void
    {
        $password = getenv('DB_WEB_PASSWORD');
        self::assertNotFalse($password, 'bin/test gives it');
        $config = (array) config('database.connections.pgsql');
        $web = new PDO("pgsql:host={$config['host']};port={$config['port']};dbname={$config['database']}", 'pebblerun_web', (string) $password, [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
        $one = fn (string $sql): mixed => ($web->query($sql) ?: self::fail())->fetchColumn();
        self::assertFalse($one('select rolsuper or rolcreatedb or rolcreaterole or rolreplication or rolbypassrls from pg_roles where rolname = current_user'));
        self::assertSame(['25s', '10s'], [$one('show statement_timeout'), $one('show lock_timeout')]);
        foreach (['create table x (a int)', 'drop table plans', 'truncate plans', "copy (select 1) to program 'true'", 'alter table users add column x int', "select pg_read_file('/etc/passwd')", 'create role x', 'create extension plpython3u', 'delete from audit_entries', 'update audit_entries set who = who'] as $forbidden) {
            try {
                $web->exec($forbidden);
                self::fail("the web's role may: {$forbidden}");
            } catch (PDOException $fault) {
                self::assertContains($fault->getCode(), ['42501', '58P01', '0A000'], "{$forbidden}: {$fault->getMessage()}");
            }
        }
    }
}
