<?php

namespace Tests\Feature;

use App\Assembly\CarLedger;
use App\Models\CarFitting;
use App\Models\CustomerJob;
use App\Models\Part;
use App\Models\Plan;
use App\Models\StageMark;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;

/** How far stages are, by day and name; what left the house; and what stands on the car then and when it comes back. */
final class StageLifeTest extends TestCase
{
    /**
     * @param  array<string, mixed>  $more
     * @return TestResponse<Response>
     */
    private function mark(string $stage, string $was, string $life, array $more = [], string $role = 'advisor', ?Plan $plan = null): TestResponse
    {
        $plan ??= $this->plan();

        return $this->actingAs($this->person($role))->postJson("/plans/{$plan->id}/stages/{$stage}/marks", ['request' => bin2hex(random_bytes(8)), 'was' => $was, 'life' => $life, 'on' => '2026-11-20', ...$more]);
    }

    /** Stages 1 and 2, done one after the other. */
    private function done(): void
    {
        $this->mark('s1', 'planned', 'done', ['km' => 61_000, 'stock_place' => 'shelf 4'])->assertOk();
        $this->mark('s2', 'planned', 'done', ['on' => '2026-11-28'])->assertOk();
    }

    public function test_a_stage_goes_from_planned_to_done_with_day_and_name_and_the_counter_follows(): void
    {
        $was = 'planned';
        foreach (['proposed' => 'answer', 'accepted' => 'order', 'parts' => 'begin', 'in-work' => 'work'] as $life => $due) {
            $this->mark('s1', $was, $life, role: 'technician')->assertOk()->assertJsonPath('lives.0.life', $life)->assertJsonPath('lives.0.on', '2026-11-20')->assertJsonPath('lives.0.by', $this->person('technician')->name);
            self::assertSame($due, $this->job()->due->value);
            $was = $life;
        }
        $shown = $this->actingAs($this->person('advisor'))->get('/?q=skarn+hill+commuter')->viewData('page')['props']['jobs'][0];
        self::assertSame(['in work', 'stage 1 in work', '2026-11-20'], [$shown['due']['words'], $shown['life']['words'], $shown['life']['on']]);
        $before = $this->job()->version;
        $this->mark('s1', 'in-work', 'done')->assertOk();
        self::assertGreaterThan($before, $this->job()->version, 'an open bench sees it');
        self::assertNotContains($this->job()->due->value, ['work', 'done'], 'stage 2 is only planned');
        foreach (array_slice($this->plan()->document['stages'], 1) as $stage) {
            $this->mark($stage['key'], 'planned', 'done')->assertOk();
        }
        self::assertSame('done', $this->job()->due->value);
        $this->edit([['do' => 'add-stage', 'name' => 'more']], $this->plan()->revision)->assertOk();
        self::assertNotSame('done', $this->job()->due->value);
    }

    public function test_what_cannot_be_is_refused_in_words(): void
    {
        $this->mark('s2', 'planned', 'done')->assertStatus(422)->assertJsonPath('message', 'Stage 2 builds on the stages before it: mark those done first.');
        $this->mark('s9', 'planned', 'done')->assertStatus(422)->assertJsonPath('message', 'This stage is no longer in the plan.');
        $this->mark('s1', 'planned', 'planned')->assertStatus(422)->assertJsonPath('message', 'Stage 1 is marked "planned" already.');
        $this->mark('s1', 'planned', 'half-done')->assertStatus(422);
        $this->mark('s1', 'planned', 'done', ['on' => now()->addDays(2)->toDateString()])->assertStatus(422);
        $this->mark('s1', 'planned', 'accepted', role: 'tuner')->assertOk();
        $this->mark('s1', 'planned', 'done')->assertStatus(422)->assertJsonPath('message', $this->person('tuner')->name.' marked it "accepted" meanwhile: look, and mark it again.');
        $this->mark('s1', 'accepted', 'done')->assertOk();
        $this->mark('s2', 'planned', 'done')->assertOk();
        $this->mark('s1', 'done', 'in-work')->assertStatus(422)->assertJsonPath('message', 'A stage after stage 1 is done and builds on it: take that back first.');
        self::assertSame(3, StageMark::query()->count());
    }

    public function test_asked_twice_it_is_done_once(): void
    {
        foreach ([1, 2] as $time) {
            $this->mark('s1', 'planned', 'done', ['request' => 'ab-cd-ef-01-23-45-67'])->assertOk()->assertJsonPath('lives.0.life', 'done');
        }
        self::assertSame(1, StageMark::query()->count());
    }

    public function test_what_was_sent_stays_as_it_was_sent(): void
    {
        $mark = $this->mark('s1', 'planned', 'proposed')->assertOk()->json('lives.0.sent');
        self::assertIsInt($mark);
        $address = "/plans/{$this->plan()->id}/marks/{$mark}/bundle";
        $sent = (string) $this->get($address)->assertOk()->getContent();
        self::assertSame($this->getJson("/plans/{$this->plan()->id}/bundle")->json(), json_decode($sent, true));
        $this->postJson('/parts/'.Part::query()->where('key', 'fjellvent-panel')->value('id').'/prices', ['request' => bin2hex(random_bytes(8)), 'likely' => 4000, 'as_of' => '2026-11-20', 'source' => ''])->assertCreated();
        $this->edit([['do' => 'rename-plan', 'name' => 'Other']], 1)->assertOk();
        self::assertSame($sent, $this->get($address)->assertOk()->getContent());
        self::assertNotSame(json_decode($sent, true), $this->getJson("/plans/{$this->plan()->id}/bundle")->json());
        $this->get("/plans/{$this->plan('Top end only')->id}/marks/{$mark}/bundle")->assertNotFound();
        $later = $this->mark('s1', 'proposed', 'accepted')->assertOk();
        self::assertNull($later->json('lives.0.sent'));
        $this->get("/plans/{$this->plan()->id}/marks/".StageMark::query()->max('id').'/bundle')->assertNotFound();
    }

    public function test_what_is_done_stands_in_the_cars_ledger(): void
    {
        $this->done();
        $car = $this->job()->car_id;
        $first = CarFitting::query()->where('car_id', $car)->where('part', 'fjellvent-panel')->sole();
        self::assertSame(['2026-11-20', 61_000, 's1', false, 'shelf 4', null], [$first->since, $first->km, $first->stage, $first->used, $first->stock_place, $first->left_on]);
        // Stage 2 is mapped on the dyno: the shelf map of stage 1 is gone.
        $maps = CarFitting::query()->where('car_id', $car)->whereIn('part', ['nullarc-shelf-a', 'saltmarsh-dyno-soft'])->orderBy('id')->get(['part', 'stage', 'left_on'])->toArray();
        self::assertSame([
            ['part' => 'nullarc-shelf-a', 'stage' => 's1', 'left_on' => '2026-11-28'],
            ['part' => 'saltmarsh-dyno-soft', 'stage' => 's2', 'left_on' => null],
        ], $maps);
        $shown = $this->getJson("/jobs/{$this->job()->id}/brief/state")->assertOk()->json('ledger');
        self::assertSame(['2026-11-28', 'Skarn Hill commuter', $this->person('advisor')->name], [$shown[0]['since'], $shown[0]['job'], $shown[0]['by']]);
        self::assertNotNull(end($shown)['left_on'], 'what left comes last');
    }

    public function test_a_car_that_comes_back_brings_what_was_fitted_to_it(): void
    {
        $this->done();
        $fitted = CarLedger::fitted($this->job()->car_id);
        self::assertContains('fjellvent-panel', $fitted);
        $this->postJson('/jobs', ['title' => 'Back again', 'car' => $this->job()->car_id])->assertRedirect();
        $again = CustomerJob::query()->where('title', 'Back again')->sole();
        $visit = fn (CustomerJob $job): mixed => $this->getJson("/jobs/{$job->id}/brief/state")->assertOk()->json('customer.last_reading');
        self::assertNull($visit($this->job()), 'what is read while its own stages are done is no visit before');
        self::assertSame(61_000, $visit($again)['km']);
        self::assertSame([$fitted, $this->plan()->document['stages'][1]['fuel']], [$again->brief['received']['parts'], $again->brief['received']['fuel']]);
        // Somebody looks, and the panel is not there any more.
        $this->answer(['received.parts' => array_values(array_diff($fitted, ['fjellvent-panel']))], job: $again)->assertOk();
        $left = CarLedger::fitted($again->car_id);
        self::assertEqualsCanonicalizing(array_values(array_diff($fitted, ['fjellvent-panel'])), $left);
        // An older job says what was true then.
        $this->answer(['received.parts' => []])->assertOk();
        self::assertSame($left, CarLedger::fitted($again->car_id));
    }

    public function test_taken_back_nothing_of_it_stands_in_the_ledger(): void
    {
        $this->mark('s1', 'planned', 'done')->assertOk();
        $before = CarFitting::query()->orderBy('id')->get()->toArray();
        $fuel = $this->job()->car->fuel;
        $this->mark('s2', 'planned', 'done')->assertOk();
        self::assertNotSame($before, CarFitting::query()->orderBy('id')->get()->toArray());
        $this->mark('s2', 'done', 'in-work')->assertOk();
        self::assertSame([$before, $fuel], [CarFitting::query()->orderBy('id')->get()->toArray(), $this->job()->car->fuel]);
        $this->mark('s1', 'done', 'planned')->assertOk();
        self::assertSame(0, CarFitting::query()->count());
    }

    public function test_what_is_done_stays_in_the_plan(): void
    {
        $this->mark('s1', 'planned', 'done')->assertOk();
        $number = $this->plan()->revision;
        foreach ([
            ['do' => 'clear', 'stage' => 's1', 'slot' => 'map'], ['do' => 'fuel', 'stage' => 's1', 'fuel' => 'blend-30'], ['do' => 'remove-stage', 'stage' => 's1'],
            ['do' => 'move-stage', 'stage' => 's2', 'to' => 's1'],
        ] as $command) {
            $this->edit([$command], $number)->assertStatus(422)->assertJsonPath('message', 'Stage 1 is done, and its parts are on the car: make the change in a later stage, or take its mark back first.');
        }
        $this->edit([['do' => 'rename-stage', 'stage' => 's1', 'name' => 'Done so'], ['do' => 'clear', 'stage' => 's2', 'slot' => 'map']], $number)->assertOk();
        $this->mark('s1', 'done', 'planned')->assertOk();
        $this->edit([['do' => 'clear', 'stage' => 's1', 'slot' => 'map']], $this->plan()->revision)->assertOk();
    }
}
