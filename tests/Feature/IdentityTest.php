<?php

namespace Tests\Feature;

use App\Models\Car;
use App\Models\Customer;
use App\Models\MileageReading;
use App\Models\Plan;
use App\Models\Platform;
use Illuminate\Support\Carbon;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Customers, cars and jobs have names that last: who returns is found, and a job has several plans. */
final class IdentityTest extends TestCase
{
    /** @return list<array<string, mixed>> */
    private function found(string $words, string $role = 'advisor'): array
    {
        return $this->actingAs($this->person($role))->getJson('/customers?q='.urlencode($words))->assertOk()->json();
    }

    private function car(string $title = 'Skarn Hill commuter'): Car
    {
        return $this->job($title)->load('car.customer')->car;
    }

    public static function words(): iterable
    {
        foreach (['maren', 'TOLLEF', 'len tol' => 'ren tol', 'PE 21 417', 'pe21417', '21 417', 'maren tollef', '555 0199', 'chs-77'] as $words) {
            yield $words => [$words];
        }
    }

    #[DataProvider('words')]
    public function test_a_customer_is_found_by_name_contact_registration_and_chassis_number(string $words): void
    {
        $this->answer(['customer.contact' => '555 0199, evenings', 'car.chassis_number' => 'CHS-77-2021'])->assertOk();
        $found = $this->found($words);
        self::assertSame(['Maren Tollef'], array_column($found, 'name'));
        self::assertSame(['Corvane Lyre 1.6T, 2021, manual', 'PE 21 417', 1, 61000], [$found[0]['cars'][0]['words'], $found[0]['cars'][0]['registration'], $found[0]['cars'][0]['jobs'], (int) $found[0]['cars'][0]['last_reading']['km']]);
    }

    public function test_nothing_is_found_for_nothing_for_signs_of_the_database_or_in_another_shop(): void
    {
        foreach (['', '   ', '%', '_', 'nobody', 'maren nobody'] as $words) {
            self::assertSame([], $this->found($words), $words);
        }
        $other = $this->stranger();
        $this->actingAs($other)->getJson('/customers?q=maren')->assertOk()->assertExactJson([]);
        $platform = Platform::query()->firstOrFail()->id;
        $this->postJson('/jobs', ['title' => 'T', 'car' => $this->car()->id])->assertNotFound();
        $this->postJson('/jobs', ['title' => 'T', 'customer_id' => $this->car()->customer_id, 'platform' => $platform])->assertNotFound();
    }

    public function test_a_known_car_starts_a_job_with_what_is_known_of_it_and_its_mileage_is_read_anew(): void
    {
        $this->actingAs($this->person('advisor'))->postJson('/jobs', ['title' => 'Back again', 'car' => $this->car()->id])->assertRedirect();
        $job = $this->job('Back again');
        self::assertSame($this->car()->id, $job->car_id);
        self::assertEquals(['year' => 2021, 'gearbox' => 'manual', 'registration' => 'PE 21 417'], $job->brief['car']);
        $page = $this->getJson("/jobs/{$job->id}/brief/state")->assertOk();
        self::assertSame(['Maren Tollef', 1, 61000], [$page->json('customer.name'), $page->json('customer.other_jobs'), (int) $page->json('customer.last_reading.km')]);
        $this->travelTo(Carbon::parse('2027-03-01T12:00:00Z'));
        $this->answer(['car.mileage_km' => 78200], job: $job)->assertOk();
        $this->answer(['car.mileage_km' => 78300], job: $job->refresh())->assertOk();
        self::assertEquals([[61000.0, $this->job()->id], [78300.0, $job->id]], MileageReading::query()->where('car_id', $job->car_id)->orderBy('read_on')->get()->map(fn (MileageReading $one): array => [$one->km, $one->customer_job_id])->all(), 'one reading a visit');
        self::assertSame('2027-03-01', MileageReading::query()->where('customer_job_id', $job->id)->value('read_on'));
        $this->answer(['car.mileage_km' => null], job: $job->refresh())->assertOk();
        self::assertSame(1, MileageReading::query()->where('car_id', $job->car_id)->count());
    }

    public function test_a_returning_customer_comes_with_a_second_car(): void
    {
        $platform = Platform::query()->where('key', 'marlow-tern-24')->firstOrFail();
        $maren = $this->car()->customer;
        $this->actingAs($this->person('advisor'))->postJson('/jobs', ['title' => 'Weekend car', 'customer_id' => $maren->id, 'platform' => $platform->id])->assertRedirect();
        self::assertSame(2, $maren->cars()->count());
        self::assertCount(2, $this->found('maren')[0]['cars']);
        self::assertSame(10, Customer::query()->count(), 'nobody twice');
    }

    public function test_a_new_name_or_contact_holds_for_all_jobs_of_the_customer(): void
    {
        $this->actingAs($this->person('advisor'))->postJson('/jobs', ['title' => 'Back again', 'car' => $this->car()->id]);
        $before = $this->job('Back again')->version;
        $this->answer(['customer.name' => 'Maren Lund'])->assertOk()->assertJsonPath('state.customer.other_jobs', 1);
        self::assertGreaterThan($before, $this->job('Back again')->version, 'whose open pages hear of it');
        $this->get('/?q=lund')->assertOk()->assertInertia(fn ($page) => $page->has('jobs', 2)->where('jobs.0.customer', 'Maren Lund'));
        self::assertSame([], $this->found('tollef'));
    }

    public function test_two_jobs_of_one_customer_do_not_overwrite_each_others_contact(): void
    {
        $this->actingAs($this->person('advisor'))->postJson('/jobs', ['title' => 'Back again', 'car' => $this->car()->id]);
        [$here, $there] = [$this->job(), $this->job('Back again')];
        $this->answer(['customer.contact' => '555 0100'], 'owner', job: $there)->assertOk();
        $refusal = $this->answer(['customer.contact' => '555 0200'], seen: $here->version, job: $here)->assertStatus(409);
        self::assertSame(['Contact: 555 0200', 'Contact: 555 0100'], [$refusal->json('fields.0.mine'), $refusal->json('fields.0.theirs')]);
        self::assertSame('555 0100', $this->car()->customer->contact);
    }

    public function test_a_job_can_be_given_to_somebody_known_or_new_and_nobody_is_left_over(): void
    {
        $this->actingAs($this->person('advisor'))->postJson('/jobs', ['title' => 'New job', 'customer' => 'New customer', 'platform' => $this->car()->platform_id]);
        $job = $this->job('New job');
        $maren = $this->car()->customer_id;
        $this->answer(['customer' => $maren], job: $job)->assertOk()->assertJsonPath('state.customer.name', 'Maren Tollef');
        self::assertSame(0, Customer::query()->where('name', 'New customer')->count());
        self::assertSame(2, Car::query()->where('customer_id', $maren)->count());
        $this->answer(['car' => $this->car()->id], job: $job->refresh())->assertOk()->assertJsonPath('state.brief.car.registration', 'PE 21 417');
        self::assertSame([$this->car()->id, 1], [$job->refresh()->car_id, Car::query()->where('customer_id', $maren)->count()]);
        // Somebody else with the same car's job: the other job keeps its car and its customer.
        $this->answer(['customer' => 'Pia Tollef'], job: $job)->assertOk()->assertJsonPath('state.customer.name', 'Pia Tollef');
        self::assertSame('Maren Tollef', $this->car()->customer->name);
        self::assertNotSame($this->car()->id, $job->refresh()->car_id);
        $this->answer(['customer.notes' => 'rings on Fridays'], job: $job)->assertOk();
        $this->answer(['customer' => $maren], job: $job->refresh())->assertOk();
        self::assertSame('rings on Fridays', Customer::query()->where('name', 'Pia Tollef')->value('notes'), 'of whom something is known stays');
    }

    public function test_a_car_of_another_platform_is_not_the_jobs(): void
    {
        $this->answer(['car' => $this->car('Natural first')->id])->assertStatus(422);
        self::assertSame($this->car()->id, $this->job()->car_id);
    }

    public function test_a_job_has_further_plans_of_which_one_stands_for_it(): void
    {
        $job = $this->job();
        $first = $this->plan();
        $this->actingAs($this->person('advisor'));
        $made = $this->postJson("/jobs/{$job->id}/plans", ['name' => 'Without strong fuel', 'from' => $first->id])->assertCreated();
        self::assertSame([['Three steps to the hill', true], ['Without strong fuel', false]], array_map(fn (array $one): array => [$one['name'], $one['chosen']], $made->json('plans')));
        $second = Plan::query()->whereKey($made->json('id'))->sole();
        self::assertEquals($first->document['stages'], $second->document['stages']);
        $this->edit([['do' => 'remove-stage', 'stage' => 's3']], 1, plan: $second)->assertOk()->assertJsonCount(3, 'state.estimate.stages');
        self::assertCount(3, $this->plan()->document['stages'], 'the first stays as it was');
        self::assertSame('ready', $job->refresh()->due->value, 'and stands for the job');
        $this->get("/jobs/{$job->id}/bench/{$second->id}")->assertOk()->assertInertia(fn ($page) => $page->where('state.plan', $second->id)->has('plans', 2));
        $this->get("/jobs/{$job->id}/bench")->assertInertia(fn ($page) => $page->where('state.plan', $first->id));
        $this->putJson("/jobs/{$job->id}/plans/{$second->id}/choice")->assertOk()->assertJsonPath('1.chosen', true);
        self::assertSame('target', $job->refresh()->due->value);
        $this->get("/jobs/{$job->id}/bench")->assertInertia(fn ($page) => $page->where('state.plan', $second->id));
        $this->deleteJson("/plans/{$second->id}")->assertStatus(422);
        $this->deleteJson("/plans/{$first->id}")->assertOk()->assertJsonCount(1);
        $this->getJson("/plans/{$first->id}")->assertNotFound();
        $this->postJson("/plans/{$first->id}/restore")->assertOk()->assertJsonCount(2);
        $empty = $this->postJson("/jobs/{$job->id}/plans", ['name' => 'From nothing'])->assertCreated()->json('id');
        self::assertSame([[]], array_column(Plan::query()->whereKey($empty)->sole()->document['stages'], 'changes'));
        $this->edit([['do' => 'rename-plan', 'name' => 'Afresh']], 1, plan: Plan::query()->whereKey($empty)->sole())->assertOk()->assertJsonPath('state.name', 'Afresh');
    }

    public function test_a_plan_of_another_job_is_not_found_here(): void
    {
        $other = $this->plan('Natural first');
        $this->actingAs($this->person('advisor'))->get("/jobs/{$this->job()->id}/bench/{$other->id}")->assertNotFound();
        $this->putJson("/jobs/{$this->job()->id}/plans/{$other->id}/choice")->assertNotFound();
        $this->postJson("/jobs/{$this->job()->id}/plans", ['name' => 'X', 'from' => $other->id])->assertNotFound();
        $this->postJson("/jobs/{$this->job()->id}/plans", ['name' => ''])->assertStatus(422);
    }

    public function test_a_job_has_at_most_a_dozen_plans(): void
    {
        $this->actingAs($this->person('advisor'));
        for ($i = 2; $i <= 12; $i++) {
            $this->postJson("/jobs/{$this->job()->id}/plans", ['name' => "Plan {$i}"])->assertCreated();
        }
        $this->postJson("/jobs/{$this->job()->id}/plans", ['name' => 'Plan 13'])->assertStatus(422);
    }

    public function test_every_revision_knows_the_library_it_was_made_with(): void
    {
        $this->edit([['do' => 'add-stage', 'name' => '']], 1)->assertOk();
        self::assertSame([$this->plan()->library_version_id, $this->plan()->library_version_id], $this->plan()->revisions()->pluck('library_version_id')->all());
    }
}
