<?php

namespace Tests\Feature;

use Illuminate\Support\Carbon;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;

final class BriefTest extends TestCase
{
    public function test_a_fuel_that_the_shop_has_not_is_refused_and_a_slipped_point_is_asked_about(): void
    {
        $this->answer(['fuels' => ['pump-98', 'moon-water']])->assertStatus(422)->assertSee('moon-water');
        $pull = fn (float $peak): array => ['points' => array_map(fn (int $rpm, float $torque): array => ['rpm' => $rpm, 'torque' => $torque], [2000, 3500, 5000, 6500], [190.0, $peak, 214.0, 168.0])];
        $lines = fn (float $peak): string => (string) json_encode($this->answer(['received.baseline' => $pull($peak)])->assertOk()->json('state'));
        self::assertStringContainsString('at 3,500 rpm', $lines(22.5));
        self::assertStringNotContainsString('at 3,500 rpm', $lines(225.0));
    }

    public function test_an_answer_changes_the_verdict_beside_it_and_is_a_revision(): void
    {
        $this->answer(['target' => ['power' => 250], 'risk' => 'bold'])->assertOk()->assertJsonPath('state.verdict.0.status', 'clear');
        $this->answer(['target' => ['power' => 350]])->assertOk()->assertJsonPath('state.verdict.0.status', 'over');
        $this->answer(['fuels' => ['pump-98']])->assertOk()->assertJsonPath('state.verdict.4.headline', 'E30 is out of reach');
        $this->assertDatabaseHas('brief_revisions', ['customer_job_id' => $this->job()->id, 'number' => 4]);
        self::assertSame('over', $this->summary($this->plan())['verdict'][4]['status'] ?? null, 'the counter knows');
    }

    public function test_answers_in_different_places_follow_each_other(): void
    {
        $seen = $this->job()->version;
        $this->answer(['target' => ['power' => 300], 'received.checks.oil' => 'good'], 'owner')->assertOk();
        $this->answer(['risk' => 'bold', 'received.checks.brakes' => 'good'], seen: $seen)->assertOk();
        $brief = $this->job()->brief;
        self::assertSame([300, 'bold', ['oil' => 'good', 'brakes' => 'good']], [$brief['target']['power'], $brief['risk'], array_replace(['oil' => '', 'brakes' => ''], $brief['received']['checks'])]);
    }

    public function test_an_answer_that_another_gave_otherwise_meanwhile_is_refused_with_both_sides_by_answer(): void
    {
        $seen = $this->job()->version;
        $this->answer(['target' => ['power' => 300], 'risk' => 'bold'], 'owner')->assertOk();
        $refusal = $this->answer(['target' => ['power' => 260], 'budget.total' => 7000, 'risk' => 'bold'], seen: $seen)->assertStatus(409);
        self::assertSame('Odd Lindqvar changed this brief meanwhile.', $refusal->json('message'));
        self::assertEquals([
            ['mine' => 'Target: 260 whp', 'theirs' => 'Target: 300 whp', 'clashes' => true, 'can' => true],
            ['mine' => 'Budget, total: € 7,000', 'theirs' => '', 'clashes' => false, 'can' => true],
            ['mine' => 'Risk: bold', 'theirs' => '', 'clashes' => false, 'can' => true],
        ], $refusal->json('fields'), 'who gives the same answer does not disagree');
        self::assertSame([300, 6500], [$this->job()->brief['target']['power'], $this->job()->brief['budget']['total']], 'all or nothing');
        $this->answer(['target' => ['power' => 260]], seen: $refusal->json('version'))->assertOk();
        self::assertSame(260, $this->job()->brief['target']['power']);
    }

    public function test_ones_own_answers_stand_one_behind_another(): void
    {
        $seen = $this->job()->version;
        $queue = ['queue' => bin2hex(random_bytes(8))];
        $this->answer(['target' => ['power' => 300]], seen: $seen, more: $queue)->assertOk();
        $this->answer(['target' => ['power' => 310]], seen: $seen, more: $queue)->assertOk();
        self::assertSame(310, $this->job()->brief['target']['power']);
    }

    public function test_an_answer_that_makes_no_sense_is_refused_with_its_path(): void
    {
        $this->answer(['target' => ['power' => -3]])->assertStatus(422);
        $message = $this->answer(['use' => 'moon'])->assertStatus(422)->json('message');
        self::assertStringContainsString('use: "moon" is not known here: use one of road, track.', $message);
        self::assertSame(1, $this->job()->brief_revision);
    }

    public function test_no_chance_is_stated_without_a_health_check(): void
    {
        $this->answer(['received.healthy' => false])->assertOk()
            ->assertJsonPath('state.measured', false)->assertJsonPath('state.verdict.0.detail', 'no chance stated: not measured yet');
    }

    public function test_a_baseline_that_is_hard_to_believe_gives_no_chance_until_somebody_stands_by_it(): void
    {
        $doubted = $this->answer(['received.baseline' => $this->baseline(1.19)])->assertOk()->assertJsonPath('state.baseline.can_confirm', true)
            ->assertJsonPath('state.verdict.0.detail', 'no chance stated: the baseline is hard to believe');
        self::assertMatchesRegularExpression('/^The baseline reads \d+ whp and \d+ lb-ft; about \d+ whp and \d+ lb-ft would be expected of this car as it was received \(\+\d+ % and \+\d+ %\)\. Likely: .+ or parts on the car that the brief does not know\.$/', $doubted->json('state.baseline.doubts.0'));
        self::assertSame('baseline', $this->job()->due->value, 'the counter asks for it');
        $seen = $this->job()->version;
        $confirmed = $this->answer(['received.baseline_confirmed' => ['on' => '1999-01-01', 'by' => 'somebody else']], 'owner')->assertOk()->assertJsonPath('state.measured', true);
        self::assertSame(['by' => 'Odd Lindqvar', 'on' => $this->job()->shop->today()], array_replace(['by' => '', 'on' => ''], $confirmed->json('state.brief.received.baseline_confirmed')), 'by the server, not by the page');
        self::assertCount(1, $confirmed->json('state.baseline.doubts'), 'and it stays to be seen');
        $this->answer(['received.baseline' => $this->baseline(1.2)])->assertOk()->assertJsonPath('state.measured', false)->assertJsonMissingPath('state.brief.received.baseline_confirmed');
        $this->answer(['received.baseline_confirmed' => true], 'owner', seen: $seen)->assertStatus(422)->assertJsonPath('message', 'Ines Harrow changed the baseline meanwhile: look at it again, then confirm it.');
        $this->answer(['received.baseline' => $this->baseline(1.01)])->assertOk()->assertJsonPath('state.measured', true)->assertJsonPath('state.baseline', ['doubts' => [], 'can_confirm' => false]);
    }

    public function test_a_baseline_that_cannot_be_is_refused_and_says_why(): void
    {
        $before = $this->job()->brief['received']['baseline'];
        $message = $this->answer(['received.baseline' => $this->baseline(1.356)])->assertStatus(422)->json('message');
        self::assertStringContainsString('Likely: horsepower entered as kW, N·m entered as lb-ft or parts on the car', $message);
        self::assertStringEndsWith('Too far off to be this car: correct it, or leave it out.', $message);
        self::assertEquals($before, $this->job()->brief['received']['baseline']);
    }

    /** @return array<string, mixed> the car's own, so many times as high */
    private function baseline(float $times): array
    {
        $points = (array) json_decode((string) file_get_contents(base_path('demo/jobs/skarn-hill-commuter/brief.json')), true)['brief']['received']['baseline']['points'];

        return ['points' => array_map(fn (array $point): array => ['rpm' => $point['rpm'], 'torque' => round($point['torque'] * $times, 2)], $points)];
    }

    public function test_a_warning_given_is_noted_with_who_and_when_by_the_server(): void
    {
        // Half past eleven at night in UTC, the next day in the shop.
        $this->travelTo(Carbon::parse('2026-11-25T23:30:00Z'));
        $this->answer(['warnings.reserve' => null, 'warnings.law' => null])->assertOk();
        $first = $this->answer(['warnings.reserve' => ['on' => '1999-01-01', 'by' => 'somebody else']])->assertOk();
        $given = fn (TestResponse $answer): array => array_column($answer->json('state.brief.warnings'), null, 'warning');
        self::assertEquals(['warning' => 'reserve', 'on' => '2026-11-26', 'by' => 'Ines Harrow'], $given($first)['reserve']);
        $this->travel(3)->days();
        $second = $given($this->answer(['warnings.law' => true], 'owner')->assertOk());
        self::assertSame(['Ines Harrow', 'Odd Lindqvar'], [$second['reserve']['by'], $second['law']['by']], 'the first note stays as it was');
        self::assertNotSame($second['reserve']['on'], $second['law']['on']);
    }

    public function test_each_answer_says_what_it_changes_and_how_far_the_conversation_is(): void
    {
        $saved = $this->answer(['noise' => 'a-little', 'warnings.law' => null])->assertOk();
        self::assertStringContainsString('Pump 98: the same parts, mapped for it, likely give 284 whp, 6 whp short', $saved->json('state.means.fuels.0'));
        self::assertStringContainsString('The plan is there after stage 3', $saved->json('state.means.target.1'));
        self::assertNotContains('noise', array_column($saved->json('state.readiness.open'), 'key'));
        self::assertContains('warnings', array_column($saved->json('state.readiness.open'), 'key'));
    }

    public function test_what_the_customer_will_not_have_is_a_fault_of_the_plan(): void
    {
        $before = $this->answer(['refuses' => []])->assertOk();
        self::assertSame('clear', $before->json('state.verdict.3.status'));
        $after = $this->answer(['received.checks.compression' => 'bad'])->assertOk();
        self::assertSame('over', $after->json('state.verdict.3.status'));
        self::assertStringContainsString('compression or leak-down found something', $after->json('state.verdict.3.detail'));
        self::assertFalse($after->json('state.measured'));
    }

    public function test_a_track_car_is_told_to_stay_off_the_road(): void
    {
        $this->answer(['use' => 'track'])->assertOk()->assertJsonPath('state.verdict.5.headline', 'Track only');
    }
}
