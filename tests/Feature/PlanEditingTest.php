<?php

namespace Tests\Feature;

use App\Actions\Edit;
use App\Actions\EditPlan;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

final class PlanEditingTest extends TestCase
{
    private const MOVE = ['do' => 'move', 'stage' => 's2', 'to' => 's3', 'part' => 'kolvane-top-large'];

    public function test_a_limit_is_accepted_by_who_is_signed_in_and_torque_is_held_at_a_cost(): void
    {
        $accept = ['do' => 'accept', 'stage' => 's3', 'limit' => 'gearbox-low', 'reason' => 'he drives gently in third', 'by' => 'Somebody Else', 'on' => '1999-01-01'];
        $answer = $this->actingAs($this->person('advisor'))->edit([$accept], 1)->assertOk();
        self::assertSame('Accept Gearbox past its limit from stage 3 on: he drives gently in third', $answer->json('state.label'));
        $limits = array_column($this->getJson("/plans/{$this->plan()->id}/stage?stage=3")->assertOk()->json('limits'), null, 'key');
        self::assertSame(['by' => 'Ines Harrow', 'on' => $this->job()->shop->today(), 'reason' => 'he drives gently in third'], $limits['gearbox-low']['accepted']);
        $held = $this->edit([['do' => 'hold', 'stage' => 's3', 'hold' => ['torque' => 270, 'from_rpm' => 2000, 'to_rpm' => 3500]]], 2)->assertOk();
        self::assertSame('Cap torque at 270  from 2000 to 3500 rpm in stage 3', $held->json('state.label'));
        $stage = $this->getJson("/plans/{$this->plan()->id}/stage?stage=3")->assertOk()->json();
        self::assertStringStartsWith('Torque held at 270 lb-ft from 2,000 rpm to 3,500 rpm: costs 0 whp', $stage['hold']['sentence']);
        self::assertLessThan(100.0, array_column($stage['limits'], null, 'key')['gearbox-low']['used_percent']);
        $this->edit([['do' => 'hold', 'stage' => 's3', 'hold' => ['torque' => 270, 'from_rpm' => 3500, 'to_rpm' => 2000]]], 3)->assertStatus(422)->assertSee('give the lower one first');
        $this->edit([['do' => 'accept', 'stage' => 's3', 'limit' => 'gearbox-low', 'reason' => null]], 3)->assertOk();
        self::assertNull(array_column($this->getJson("/plans/{$this->plan()->id}/stage?stage=3")->json('limits'), null, 'key')['gearbox-low']['accepted']);
    }

    public function test_moving_a_part_changes_power_limit_and_money_of_its_stage_and_is_a_revision(): void
    {
        $before = $this->actingAs($this->person('advisor'))->getJson("/plans/{$this->plan()->id}")->assertOk()->json('estimate.stages.2');
        $answer = $this->edit([self::MOVE], 1)->assertOk();
        $after = $answer->json('state.estimate.stages.2');
        self::assertLessThan($before['power']['p50'], $after['power']['p50']);
        self::assertLessThan($before['money']['cumulative']['likely'], $after['money']['cumulative']['likely']);
        self::assertSame(['close', 'Knock headroom', 'over'], [$before['weakest']['status'], $after['weakest']['name'], $after['weakest']['status']], 'hotter air without its cooler');
        self::assertSame(2, $answer->json('state.revision'));
        self::assertSame('Move Top cooler, 6 L from stage 2 to stage 3', $answer->json('state.label'));
        $this->assertDatabaseHas('plan_revisions', ['plan_id' => $this->plan()->id, 'number' => 2, 'previous' => 1, 'label' => null]);
        self::assertEquals([['code' => 'move', 'parameters' => ['part' => 'Top cooler, 6 L', 'stage' => 2, 'to' => 3]]], $this->plan()->revisions()->where('number', 2)->firstOrFail()->change);
    }

    public function test_a_save_from_an_outdated_revision_follows_when_it_touches_nothing_that_changed(): void
    {
        $this->edit([['do' => 'rename-stage', 'stage' => 's1', 'name' => 'first']], 1, 'owner')->assertOk();
        $this->edit([self::MOVE], 1)->assertOk()->assertJson(['state' => ['revision' => 3]]);
        $document = $this->plan()->document;
        self::assertSame('first', $document['stages'][0]['name'], 'the other one is kept');
        self::assertContains(['fit' => 'kolvane-top-large'], $document['stages'][2]['changes']);
    }

    public function test_a_save_on_the_same_place_is_refused_with_both_sides_of_every_change(): void
    {
        $this->edit([['do' => 'fit', 'stage' => 's2', 'part' => 'kolvane-front-9']], 1, 'owner')->assertOk();
        $refusal = $this->edit([['do' => 'fit', 'stage' => 's2', 'part' => 'brimstall-mid'], self::MOVE], 1)->assertStatus(409);
        self::assertSame($this->job()->version, $refusal->json('version'));
        self::assertSame('Odd Lindqvar', $refusal->json('theirs.0.author'));
        self::assertSame([false, true], array_column($refusal->json('fields'), 'clashes'));
        self::assertSame('Move Top cooler, 6 L from stage 2 to stage 3', $refusal->json('fields.1.mine'));
        self::assertSame('Intercooler in stage 2: Front cooler, 9 L', $refusal->json('fields.1.theirs'));
        self::assertSame(2, $this->plan()->revision, 'nothing was written');
    }

    public function test_a_change_sent_again_because_its_answer_was_lost_is_done_once(): void
    {
        $add = fn (string $name): TestResponse => $this->edit([['do' => 'add-stage', 'name' => 'later']], 1, more: ['request' => $name]);
        $first = $add('0123456789abcdef')->assertOk()->assertJsonPath('state.revision', 2);
        $again = $add('0123456789abcdef')->assertOk()->assertJsonPath('state.revision', 2);
        self::assertEquals($first->json('state.estimate.stages'), $again->json('state.estimate.stages'));
        self::assertCount(4, $this->plan()->document['stages']);
        $add('fedcba9876543210')->assertStatus(409);
        $undo = fn (): TestResponse => $this->step('undo', '0123456789abcdef', 2, more: ['request' => 'aaaaaaaaaaaaaaaa']);
        $undo()->assertOk()->assertJsonPath('state.revision', 3);
        $undo()->assertOk()->assertJsonPath('state.revision', 3);
        self::assertCount(3, $this->plan()->document['stages']);
        $this->step('undo', 3, 3, more: ['request' => '<script>'])->assertStatus(422)->assertJsonValidationErrors('request');
        $this->step('undo', '<script>', 3)->assertStatus(422)->assertJsonValidationErrors('step.of');
    }

    public function test_a_plan_is_estimated_under_the_brief_as_it_is_when_it_is_saved(): void
    {
        $plan = $this->plan();
        $plan->load('job');
        $this->answer(['budget.total' => 100], 'owner')->assertOk();
        $saved = app(EditPlan::class)->commands($plan, new Edit($this->person('advisor'), 'abcdefabcdefabcdef', 'abcdefabcdefabcdef', $plan->job->version, ''), [['do' => 'rename-stage', 'stage' => 's1', 'name' => 'x']]);
        self::assertSame('over', $saved?->estimates->bench($this->person('advisor'))['verdict'][1]['status'], 'not under the one that was loaded before');
        self::assertSame('budget', $this->job()->due->value);
    }

    public function test_the_history_goes_back_to_the_first_revision(): void
    {
        $this->actingAs($this->person('advisor'));
        $url = "/plans/{$this->plan()->id}/revisions";
        for ($revision = 1; $revision <= 3; $revision++) {
            $this->edit([['do' => 'rename-stage', 'stage' => 's1', 'name' => "name {$revision}"]], $revision)->assertOk();
        }
        self::assertSame([4, 3, 2, 1], array_column($this->getJson($url)->json(), 'number'));
        self::assertSame([2, 1], array_column($this->getJson("{$url}?before=3")->json(), 'number'));
    }

    public function test_a_save_on_a_stage_that_is_gone_says_so(): void
    {
        $this->edit([['do' => 'remove-stage', 'stage' => 's3']], 1, 'owner')->assertOk();
        self::assertTrue($this->edit([self::MOVE], 1)->assertStatus(409)->json('fields.0.clashes'));
    }

    public function test_any_revision_can_be_looked_at_and_restored_as_a_new_one(): void
    {
        $start = $this->plan()->document;
        $this->edit([self::MOVE], 1)->assertOk();
        $url = "/plans/{$this->plan()->id}/revisions";
        $past = $this->getJson("{$url}/1")->assertOk()->assertJson(['revision' => 1, 'undo' => null]);
        self::assertNotEquals($past->json('estimate.stages.2.power'), $this->getJson("/plans/{$this->plan()->id}")->json('estimate.stages.2.power'));
        self::assertSame(2, $this->plan()->revision, 'looking changes nothing');
        $this->step('restore', 1, 1)->assertStatus(409);
        $this->step('restore', 1, 2)->assertOk()->assertJson(['state' => ['revision' => 3, 'label' => 'Restore revision 1: start']]);
        self::assertEquals($start, $this->plan()->document);
        $this->step('undo', 3, 3)->assertOk();
        self::assertNotEquals($start, $this->plan()->document);
        $this->getJson("{$url}/99")->assertNotFound();
    }

    public function test_two_on_one_plan_see_that_they_are(): void
    {
        $job = $this->job();
        $here = fn (string $role): TestResponse => $this->actingAs($this->person($role))->postJson("/jobs/{$job->id}/presence")->assertOk();
        $here('owner')->assertExactJson(['others' => [], 'version' => $job->version]);
        $here('advisor')->assertExactJson(['others' => ['Odd Lindqvar'], 'version' => $job->version]);
        $this->edit([self::MOVE], 1, 'owner')->assertOk();
        self::assertGreaterThan($job->version, $here('advisor')->json('version'), 'that somebody saved is heard');
        $this->travel(40)->seconds();
        $here('advisor')->assertJsonPath('others', []);
    }

    public function test_a_calculation_setting_is_a_change_like_any_other(): void
    {
        $answer = $this->edit([['do' => 'settings', 'stacking' => 'sum', 'loss' => 'constant', 'price_basis' => 'used']], 1)->assertOk();
        self::assertSame('sum', $answer->json('state.estimate.settings.stacking'));
        self::assertGreaterThan($answer->json('state.estimate.stages.3.power.likely'), $answer->json('state.estimate.stages.3.power.plain_sum'), 'the plain sum knows no ceilings');
        $this->edit([['do' => 'settings', 'stacking' => 'hope']], 2)->assertStatus(422);
    }

    public function test_undo_and_redo_walk_the_changes_and_are_revisions_themselves(): void
    {
        $start = $this->plan()->document;
        $this->edit([self::MOVE], 1)->assertOk();
        $moved = $this->plan()->document;
        $this->edit([['do' => 'add-stage', 'name' => 'later']], 2)->assertOk();
        $this->step('undo', 3, 3)->assertOk()->assertJson(['state' => ['revision' => 4, 'redo' => ['number' => 3, 'what' => 'Add a stage'], 'label' => 'Undo: add a stage']]);
        self::assertEquals($moved, $this->plan()->document);
        $this->step('undo', 4, 4)->assertOk()->assertJson(['state' => ['revision' => 5, 'undo' => null]]);
        self::assertEquals($start, $this->plan()->document);
        $this->step('undo', 5, 5)->assertStatus(422)->assertJson(['message' => 'Nothing to undo: this is how the plan started.']);
        $this->step('redo', 5, 5)->assertOk()->assertJson(['state' => ['revision' => 6]]);
        self::assertEquals($moved, $this->plan()->document);
        $this->edit([['do' => 'remove-stage', 'stage' => 's3']], 6)->assertOk()->assertJson(['state' => ['redo' => null]]);
        $this->step('undo', 7, 7)->assertOk();
        self::assertEquals($moved, $this->plan()->document);
    }

    public function test_a_command_that_cannot_be_done_says_why_and_writes_nothing(): void
    {
        $this->edit([['do' => 'fit', 'stage' => 's2', 'part' => 'no-such-part']], 1)->assertStatus(422)
            ->assertJson(['message' => 'The catalogue has no part "no-such-part": use the key of one of its parts.']);
        $this->edit([['do' => 'fit', 'stage' => 'DROP TABLE', 'part' => 'x']], 1)->assertStatus(422);
        $this->edit([['do' => 'explode']], 1)->assertStatus(422);
        self::assertSame(1, $this->plan()->revision);
        $this->assertDatabaseCount('plan_revisions', 10);
    }

    public static function badCommands(): iterable
    {
        $line = ['do' => 'line', 'stage' => 's2', 'part' => 'kolvane-top-large'];
        yield 'not a command' => ['fit', '.do: "" is no command: use one of fit, clear'];
        yield 'a kind that is none' => [['do' => 'explode'], '.do: "explode" is no command: use one of fit, clear'];
        yield 'a key in capitals' => [['do' => 'clear', 'stage' => 'S2', 'slot' => 'turbo'], '.stage: "S2" is not well formed: use lower case letters, digits and hyphens.'];
        yield 'a line break after a key' => [['do' => 'clear', 'stage' => "s2\n", 'slot' => 'turbo'], 'is not well formed: use lower case letters, digits and hyphens.'];
        yield 'parts that are one text' => [['do' => 'split-stage', 'stage' => 's2', 'parts' => 'kolvane-h2'], '.parts: "kolvane-h2" must be a list.'];
        yield 'a name too long' => [['do' => 'add-stage', 'name' => str_repeat('x', 61)], 'is too long: 60 letters at most.'];
        yield 'a price below nothing' => [[...$line, 'agreed' => -1], '.agreed: -1 is too low: give 0 or more.'];
        yield 'half a piece' => [[...$line, 'quantity' => 1.5], '.quantity: 1.5 must be a whole number.'];
        yield 'a basis that is none' => [[...$line, 'basis' => 'stolen'], '.basis: "stolen" is not known here: use one of new, used, owned, null.'];
        yield 'perhaps bought' => [[...$line, 'bought' => 'perhaps'], '.bought: "perhaps" must be true or false or nothing.'];
        yield 'a list for an object' => [[], '.do: "" is no command'];
        yield 'a field of another kind of command' => [['do' => 'remove-stage', 'stage' => 's2', 'part' => 'kolvane-h2'], '"part" is not known here'];
        yield 'a field that is missing' => [['do' => 'fit', 'stage' => 's2'], '"part" is missing'];
        yield 'a field that is none' => [[...$line, 'colour' => 'red'], ': "colour" is not known here: check the spelling, or leave it out.'];
    }

    #[DataProvider('badCommands')]
    public function test_a_bad_command_says_which_field_and_what_would_be_right(mixed $command, string $words): void
    {
        $answer = $this->edit([['do' => 'add-stage', 'name' => ''], $command], 1);
        $message = $answer->assertStatus(422)->json('message');
        self::assertStringStartsWith('commands[1]', $message);
        self::assertStringContainsString($words, $message);
        self::assertSame(1, $this->plan()->revision, 'nothing was written');
    }

    /**
     * @param  TestResponse<\Illuminate\Http\Response>  $answer
     * @return array<string, mixed>
     */
    private static function candidate(TestResponse $answer, string $part): array
    {
        $found = array_filter((array) $answer->json('candidates'), fn (array $candidate): bool => $candidate['part'] === $part);

        return reset($found) ?: self::fail("{$part} is no candidate");
    }

    public function test_a_removed_stage_lends_its_name_to_no_new_one(): void
    {
        $keys = fn (): array => array_column($this->plan()->document['stages'], 'key');
        $this->edit([['do' => 'remove-stage', 'stage' => 's3']], 1)->assertOk();
        $this->edit([['do' => 'add-stage', 'name' => 'another']], 2)->assertOk();
        self::assertNotContains('s3', $keys());
        // Made on the first revision, for the stage that is gone: asked about, and not put into the new one.
        $late = $this->edit([['do' => 'fit', 'stage' => 's3', 'part' => 'kolvane-h2']], 1, 'owner')->assertStatus(409);
        self::assertFalse($late->json('fields.0.can'));
        // The page gives its own.
        $this->edit([['do' => 'add-stage', 'key' => 's-1f2e3d4c', 'name' => 'mine']], 3)->assertOk();
        self::assertContains('s-1f2e3d4c', $keys());
        $this->edit([['do' => 'add-stage', 'key' => 's-1f2e3d4c', 'name' => 'twice']], 4)->assertStatus(422);
        self::assertSame(4, $this->plan()->revision);
        $this->edit([['do' => 'add-stage', 'key' => 's3', 'name' => 'again']], 4)->assertStatus(422);
    }

    public function test_candidates_say_gain_cost_and_what_they_also_need(): void
    {
        $answer = $this->actingAs($this->person('advisor'))->getJson("/plans/{$this->plan()->id}/cell?slot=turbo&stage=2")->assertOk();
        $hybrid = self::candidate($answer, 'kolvane-h2');
        self::assertMatchesRegularExpression('/^\+\d+ whp$/', $hybrid['adds']);
        self::assertMatchesRegularExpression('/^€ [\d,]+$/', $hybrid['costs']);
        self::assertStringContainsString('Hybrid H3, 52 mm needs upgraded injectors', str_replace('an ', '', self::candidate($answer, 'kolvane-h3')['also_needs'][0]['sentence']));
        $fuels = $this->getJson("/plans/{$this->plan()->id}/cell?slot=fuel-in-tank&stage=3")->assertOk();
        self::assertTrue(self::candidate($fuels, 'blend-30')['chosen']);
        $this->getJson("/plans/{$this->plan()->id}/cell?slot=moon&stage=3")->assertStatus(422);
        $this->getJson("/plans/{$this->plan()->id}/cell?slot=turbo&stage=9")->assertStatus(422);
    }

    public function test_a_stage_may_be_without_a_name(): void
    {
        $this->edit([['do' => 'add-stage', 'name' => '']], 1)->assertOk()->assertJsonPath('state.estimate.stages.4.name', '');
    }

    public function test_the_counters_summary_follows_every_save(): void
    {
        $answer = $this->edit([self::MOVE], 1)->assertOk();
        self::assertEquals($answer->json('state.estimate.stages.3.power.p50'), $this->summary($this->plan())['run'][3]['power']['p50'] ?? null);
    }

    public function test_the_plan_can_be_taken_along_as_an_open_bundle(): void
    {
        $bundle = $this->actingAs($this->person('owner'))->get("/plans/{$this->plan()->id}/bundle")->assertOk();
        $file = tempnam(sys_get_temp_dir(), 'bundle');
        file_put_contents($file, $bundle->getContent());
        exec('php '.escapeshellarg(base_path('bin/pebblerun')).' estimate '.escapeshellarg($file), $output, $code);
        self::assertSame(0, $code);
        $here = $this->getJson("/plans/{$this->plan()->id}")->json('estimate');
        self::assertEquals($here['stages'][3]['power'], json_decode(implode("\n", $output), true)['stages'][3]['power']);
    }
}
