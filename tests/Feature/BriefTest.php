<?php

namespace Tests\Feature;

use Illuminate\Support\Carbon;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;

final class BriefTest extends TestCase
{
    /** @return TestResponse<\Illuminate\Http\Response> */
    private function save(int $revision, array $changes, string $role = 'advisor'): TestResponse
    {
        return $this->actingAs($this->person($role))->putJson("/jobs/{$this->job()->id}/brief", [
            'revision' => $revision,
            'title' => 'Skarn Hill commuter',
            'customer' => 'Maren Tollef',
            'brief' => array_replace($this->job()->brief, $changes),
        ]);
    }

    public function test_an_answer_changes_the_verdict_beside_it_and_is_a_revision(): void
    {
        $this->save(1, ['target' => ['power' => 250]])->assertOk()->assertJsonPath('verdict.0.status', 'clear');
        $this->save(2, ['target' => ['power' => 350]])->assertOk()->assertJsonPath('verdict.0.status', 'over');
        $this->save(3, ['fuels' => ['pump-98']])->assertOk()->assertJsonPath('verdict.4.headline', 'Strong blend, 30 % is out of reach');
        $this->assertDatabaseHas('brief_revisions', ['customer_job_id' => $this->job()->id, 'number' => 4]);
        self::assertSame('over', $this->plan()->summary['verdict'][4]['status'], 'the counter knows');
    }

    public function test_a_brief_from_an_outdated_revision_is_refused_with_the_other_side(): void
    {
        $this->save(1, ['target' => ['power' => 300]], 'owner')->assertOk();
        $refusal = $this->save(1, ['target' => ['power' => 260]])->assertStatus(409);
        self::assertSame('Odd Lindqvar saved this brief meanwhile.', $refusal->json('message'));
        self::assertSame(300, $refusal->json('brief.target.power'));
        self::assertSame(300, $this->job()->brief['target']['power']);
    }

    public function test_an_answer_that_makes_no_sense_is_refused_with_its_path(): void
    {
        $this->save(1, ['target' => ['power' => -3]])->assertStatus(422);
        $message = $this->save(1, ['use' => 'moon'])->assertStatus(422)->json('message');
        self::assertStringContainsString('use: "moon" is not known here: use one of road, track.', $message);
        self::assertSame(1, $this->job()->brief_revision);
    }

    public function test_no_chance_is_stated_without_a_health_check(): void
    {
        $received = $this->job()->brief['received'];
        $this->save(1, ['received' => [...$received, 'healthy' => false]])->assertOk()
            ->assertJsonPath('measured', false)->assertJsonPath('verdict.0.detail', 'no chance stated: not measured yet');
    }

    public function test_a_warning_told_is_noted_with_who_and_when_by_the_server(): void
    {
        $given = fn (string ...$warnings): array => array_map(fn (string $warning): array => ['warning' => $warning, 'on' => '1999-01-01', 'by' => 'somebody else'], $warnings);
        // Half past eleven at night in UTC, the next day in the shop.
        $this->travelTo(Carbon::parse('2026-11-25T23:30:00Z'));
        $this->save(1, ['warnings' => []])->assertOk();
        $first = $this->save(2, ['warnings' => $given('reserve')])->assertOk();
        self::assertSame([['warning' => 'reserve', 'on' => '2026-11-26', 'by' => 'Ines Harrow']], $first->json('warnings_given'));
        $this->travel(3)->days();
        $second = $this->save(3, ['warnings' => $given('reserve', 'law')], 'owner')->assertOk()->json('warnings_given');
        self::assertSame(['Ines Harrow', 'Odd Lindqvar'], array_column($second, 'by'), 'the first note stays as it was');
        self::assertNotSame($second[0]['on'], $second[1]['on']);
    }

    public function test_each_answer_says_what_it_changes_and_how_far_the_conversation_is(): void
    {
        $saved = $this->save(1, ['noise' => 'a-little', 'warnings' => []])->assertOk();
        self::assertStringContainsString('Pump 98: the same parts, mapped for it, likely give 276 whp, 14 whp short', $saved->json('means.fuels.0'));
        self::assertStringContainsString('The plan is there after stage 3', $saved->json('means.target.1'));
        self::assertNotContains('noise', array_column($saved->json('readiness.open'), 'key'));
        self::assertContains('warnings', array_column($saved->json('readiness.open'), 'key'));
    }

    public function test_what_the_customer_will_not_have_is_a_fault_of_the_plan(): void
    {
        $before = $this->save(1, ['refuses' => []])->assertOk();
        self::assertSame('clear', $before->json('verdict.3.status'));
        $after = $this->save(2, ['received' => [...$this->job()->brief['received'], 'checks' => ['compression' => 'bad']]])->assertOk();
        self::assertSame('over', $after->json('verdict.3.status'));
        self::assertStringContainsString('compression or leak-down found something', $after->json('verdict.3.detail'));
        self::assertFalse($after->json('measured'));
    }

    public function test_a_track_car_is_told_to_stay_off_the_road(): void
    {
        $this->save(1, ['use' => 'track'])->assertOk()->assertJsonPath('verdict.5.headline', 'Track only');
    }
}
