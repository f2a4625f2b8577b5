<?php

namespace Tests\Feature;

use Inertia\Testing\AssertableInertia;
use Tests\TestCase;

final class PersonTest extends TestCase
{
    private const METRIC = ['units' => ['power' => 'kW', 'torque' => 'Nm', 'pressure' => 'psi', 'temperature' => 'F', 'mass' => 'lb'], 'numerals' => 'point'];

    public function test_each_person_reads_in_their_own_units_and_numerals(): void
    {
        $url = "/plans/{$this->plan()->id}";
        $shop = $this->actingAs($this->person('advisor'))->getJson($url)->json('estimate');
        $this->actingAs($this->person('owner'))->putJson('/me', self::METRIC)->assertOk();
        $own = $this->getJson($url)->json('estimate');
        self::assertSame(['power' => 'wheel kW', 'torque' => 'N·m', 'money' => '€', 'tenths' => false], $own['labels']);
        self::assertEqualsWithDelta($shop['stages'][3]['power']['p50'] * 0.7457, $own['stages'][3]['power']['p50'], 0.1);
        self::assertStringStartsWith('€ 5.881 of € 6.500', $own['verdict'][1]['headline']);
        self::assertSame($shop['stages'][3]['money'], [...$own['stages'][3]['money'], 'per_power' => $shop['stages'][3]['money']['per_power']], 'money stays the shop’s');
        $candidates = $this->getJson("{$url}/cell?slot=turbo&stage=2")->json('candidates');
        self::assertStringEndsWith('wheel kW', $candidates[0]['adds']);
        self::assertSame($shop, $this->actingAs($this->person('advisor'))->getJson($url)->json('estimate'), 'nobody else is changed');
    }

    /**
     * What the counter shows of a job now.
     *
     * @phpstan-impure
     */
    private function shown(string $role): mixed
    {
        return $this->actingAs($this->person($role))->get('/?q=tollef')->viewData('page')['props']['jobs'][0]['summary'];
    }

    public function test_the_counter_speaks_in_each_persons_units_and_keeps_up(): void
    {
        $asked = function (): array {
            $task = $this->actingAs($this->person('owner'))->postJson('/summaries', ['jobs' => [$this->job()->id]])->assertStatus(202)->assertJsonPath('state', 'waiting')->json('id');
            $this->work();

            return (array) $this->getJson("/tasks/{$task}")->assertOk()->json();
        };
        $this->actingAs($this->person('owner'))->putJson('/me', self::METRIC);
        self::assertNull($this->shown('owner'), 'looking writes nothing');
        self::assertSame(['done', 1, 1], array_slice(array_values($asked()), 1, 3));
        self::assertStringContainsString('wheel kW likely', $this->shown('owner')['verdict'][0]['headline']);
        self::assertStringContainsString('whp likely', $this->shown('advisor')['verdict'][0]['headline']);
        self::assertEqualsWithDelta($this->shown('advisor')['run'][3]['power']['p50'] * 0.7457, $this->shown('owner')['run'][3]['power']['p50'], 0.1);

        $this->edit([['do' => 'remove-stage', 'stage' => 's3']], 1)->assertOk();
        self::assertCount(3, $this->shown('advisor')['run'], 'an edit is seen at once');
        self::assertNull($this->shown('owner'), 'and an outdated one is not shown');
        $asked();
        self::assertCount(3, $this->shown('owner')['run']);
        $this->answer(['target' => ['power' => 250]])->assertOk();
        $asked();
        self::assertStringContainsString('186 wheel kW asked', $this->shown('owner')['verdict'][0]['headline'], 'and so is an answer');
    }

    public function test_a_target_dragged_in_kilowatts_is_kept_in_the_shops_unit(): void
    {
        $this->actingAs($this->person('owner'))->putJson('/me', self::METRIC);
        $answer = $this->answer([], 'owner', more: ['show' => 'bench', 'answers' => [['place' => 'target', 'value' => ['power' => 220], 'unit' => 'kW']]])->assertOk();
        self::assertEqualsWithDelta(220, $answer->json('state.estimate.target.power'), 0.05);
        self::assertEqualsWithDelta(295.0, $this->job()->brief['target']['power'], 0.05);
    }

    public function test_units_nobody_knows_are_refused(): void
    {
        $this->actingAs($this->person('owner'))->putJson('/me', ['units' => [...self::METRIC['units'], 'power' => 'horses'], 'numerals' => 'point'])->assertStatus(422);
        self::assertNull($this->person('owner')->units);
        $this->get('/')->assertInertia(fn (AssertableInertia $page) => $page->where('person.units.power', 'hp')->where('person.numerals', 'comma'));
    }

    public function test_the_smallest_change_is_offered_and_does_what_it_says(): void
    {
        $this->actingAs($this->person('advisor'));
        $plan = $this->plan('Works hauler');
        $plan->job->update(['brief' => [...$plan->job->brief, 'risk' => 'normal']]);
        $before = $this->getJson("/plans/{$plan->id}")->json('estimate.stages.2.weakest.name');
        $fixes = $this->getJson("/plans/{$plan->id}/fixes?subject=limits")->assertOk()->json();
        self::assertNotEmpty($fixes);
        $answer = $this->edit($fixes[0]['commands'], 1, plan: $plan)->assertOk();
        self::assertNotSame($before, $answer->json('state.estimate.stages.2.weakest.name'));
        $this->getJson("/plans/{$plan->id}/fixes?subject=nonsense")->assertStatus(422);
    }
}
