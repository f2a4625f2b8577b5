<?php

namespace Tests\Feature;

use App\Models\CustomerJob;
use App\Models\PlanRevision;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Advice\NextStep;
use Tests\TestCase;

/** The races of two who save the same job, one after another and by force. */
final class SyncTest extends TestCase
{
    private const MOVE = ['do' => 'move', 'stage' => 's2', 'to' => 's3', 'part' => 'kolvane-top-large'];

    private static function rename(string $stage, string $name): array
    {
        return ['do' => 'rename-stage', 'stage' => $stage, 'name' => $name];
    }

    /** @return list<string> names of the stages */
    private function names(): array
    {
        return array_column($this->plan()->document['stages'], 'name');
    }

    public function test_an_answer_that_was_lost_and_then_anothers_edit(): void
    {
        $mine = ['request' => str_repeat('a1', 8)];
        $this->edit([self::rename('s1', 'mine')], 1, more: $mine)->assertOk();
        $this->edit([self::rename('s1', 'theirs')], 2, 'owner')->assertOk();
        // It was done, so it is answered as done, and what stands is theirs.
        $this->edit([self::rename('s1', 'mine')], 1, more: $mine)->assertOk()->assertJsonPath('state.revision', 3);
        self::assertSame('theirs', $this->names()[0]);
        self::assertSame(1, PlanRevision::query()->where('request', $mine['request'])->count());
    }

    public function test_anothers_edit_between_two_of_mine_is_not_overwritten_unasked(): void
    {
        $queue = ['queue' => str_repeat('b2', 8)];
        $this->edit([self::rename('s1', 'mine')], 1, more: $queue)->assertOk();
        $this->edit([self::rename('s2', 'theirs')], 2, 'owner')->assertOk();
        $this->edit([self::rename('s3', 'mine too')], 1, more: $queue)->assertOk();
        $refusal = $this->edit([self::rename('s2', 'over theirs')], 1, more: $queue)->assertStatus(409);
        self::assertSame(['mine', 'theirs', 'mine too'], $this->names());
        self::assertCount(1, $refusal->json('theirs'), 'my own are not counted as theirs');
        self::assertSame('Stage 2 is called "theirs"', ucfirst($refusal->json('fields.0.theirs')));
    }

    public function test_my_edit_on_a_stage_that_i_made_offline_beside_anothers_edit(): void
    {
        $queue = ['queue' => str_repeat('b3', 8)];
        $this->edit([self::rename('s1', 'theirs')], 1, 'owner')->assertOk();
        $this->edit([['do' => 'add-stage', 'key' => 's-offline', 'name' => '']], 1, more: $queue)->assertOk();
        $this->edit([['do' => 'fit', 'stage' => 's-offline', 'part' => 'kolvane-h2']], 1, more: $queue)->assertOk();
        self::assertSame([['fit' => 'kolvane-h2']], $this->plan()->document['stages'][3]['changes']);
        self::assertSame('theirs', $this->names()[0]);
    }

    public function test_a_refusal_stays_one_when_its_answer_was_lost_and_it_would_succeed_now(): void
    {
        $mine = ['request' => str_repeat('c3', 8)];
        $part = [['do' => 'fit', 'stage' => 's-later', 'part' => 'kolvane-h2']];
        $first = $this->edit($part, 1, more: $mine)->assertStatus(422);
        $this->edit([['do' => 'add-stage', 'key' => 's-later', 'name' => '']], 1, 'owner')->assertOk();
        self::assertSame($first->json('message'), $this->edit($part, 2, more: $mine)->assertStatus(422)->json('message'));
        self::assertSame([], $this->plan()->document['stages'][3]['changes']);
        $this->edit($part, 2)->assertOk();
    }

    public function test_a_conflict_is_answered_the_same_again(): void
    {
        $mine = ['request' => str_repeat('c4', 8)];
        $this->edit([self::rename('s1', 'theirs')], 1, 'owner')->assertOk();
        $first = $this->edit([self::rename('s1', 'mine')], 1, more: $mine)->assertStatus(409)->json();
        $this->step('undo', 2, 2, 'owner')->assertOk();
        self::assertEquals($first, $this->edit([self::rename('s1', 'mine')], 1, more: $mine)->assertStatus(409)->json());
        self::assertNotSame('mine', $this->names()[0]);
    }

    public function test_a_brief_saved_during_a_plan_edit_is_the_one_that_the_plan_is_estimated_under(): void
    {
        $job = $this->job();
        $isSaved = false;
        // The job was read by then; what the edit is worked out from and written comes after it.
        DB::listen(function (QueryExecuted $query) use ($job, &$isSaved): void {
            if (! $isSaved && str_contains($query->sql, 'from "edits"')) {
                $isSaved = true;
                CustomerJob::query()->whereKey($job->id)->toBase()->update(['brief' => json_encode([...$job->brief, 'budget' => ['total' => 100]]), 'brief_revision' => $job->brief_revision + 1]);
            }
        });
        $answer = $this->edit([self::rename('s1', 'air')], 1)->assertOk();
        self::assertTrue($isSaved);
        self::assertEquals(100, $answer->json('state.estimate.budget.total'));
        self::assertSame(NextStep::Budget, $this->job()->due, 'worked out again from the brief that stands');
        self::assertSame($this->job()->version, $answer->json('state.version'));
    }

    public function test_undo_takes_back_ones_own_change_and_leaves_what_another_did_after_it(): void
    {
        $start = $this->plan()->document;
        $mine = ['request' => str_repeat('d4', 8), 'queue' => str_repeat('e5', 8)];
        $this->edit([self::MOVE], 1, more: $mine)->assertOk();
        $moved = $this->plan()->document;
        $this->edit([self::rename('s1', 'theirs')], 2, 'owner')->assertOk();
        $answer = $this->step('undo', $mine['request'], 2, more: ['queue' => $mine['queue']])->assertOk();
        self::assertSame([null, 2], [$answer->json('state.undo'), $answer->json('state.redo.number')]);
        $start['stages'][0]['name'] = 'theirs';
        self::assertEquals($start, $this->plan()->document);

        $this->step('redo', 4, 4)->assertOk()->assertJsonPath('state.redo', null);
        $moved['stages'][0]['name'] = 'theirs';
        self::assertEquals($moved, $this->plan()->document);
        $this->step('undo', 5, 5)->assertOk();
        self::assertEquals($start, $this->plan()->document);
    }

    public function test_an_undo_over_anothers_change_does_not_make_that_change_seen(): void
    {
        $queue = ['queue' => str_repeat('b4', 8)];
        $mine = str_repeat('d6', 8);
        $this->edit([self::MOVE], 1, more: [...$queue, 'request' => $mine])->assertOk();
        $this->edit([self::rename('s1', 'theirs')], 2, 'owner')->assertOk();
        // Sent before any answer came: neither has seen the other's name.
        $this->step('undo', $mine, 1, more: $queue)->assertOk();
        $refusal = $this->edit([self::rename('s1', 'over theirs')], 1, more: $queue)->assertStatus(409);
        self::assertSame('Stage 1 is called "theirs"', ucfirst($refusal->json('fields.0.theirs')));
        self::assertSame('theirs', $this->names()[0]);
        $this->edit([self::rename('s2', 'mine')], 1, more: $queue)->assertOk();
        self::assertSame('mine', $this->names()[1], 'what nobody else touched follows');
    }

    public function test_what_another_changed_is_undone_by_name_only(): void
    {
        $this->edit([self::rename('s1', 'theirs')], 1, 'owner')->assertOk();
        $this->edit([self::rename('s2', 'mine')], 2)->assertOk();
        $this->step('undo', 3, 3)->assertOk()->assertJsonPath('state.undo', null);
        self::assertSame('theirs', $this->names()[0]);
        $this->step('undo', 4, 4)->assertStatus(422)->assertSee('no change of yours');
        $history = $this->getJson("/plans/{$this->plan()->id}/revisions")->assertOk();
        $marks = array_map(fn (array $one): array => [$one['number'], $one['mine'], $one['stands']], $history->json());
        self::assertSame([[4, true, false], [3, true, false], [2, false, true]], array_slice($marks, 0, 3));
        $this->step('undo', 2, 4)->assertOk()->assertJsonPath('state.undo.number', 5);
        self::assertSame('wake it up', $this->names()[0]);
        $this->step('undo', 5, 5)->assertOk();
        self::assertSame('theirs', $this->names()[0], 'and that can be taken back too');
    }

    public function test_an_undo_of_what_was_changed_again_is_refused_with_what_is_there(): void
    {
        $this->edit([self::rename('s1', 'mine')], 1)->assertOk();
        $this->edit([self::rename('s1', 'theirs')], 2, 'owner')->assertOk();
        $this->step('undo', 2, 3)->assertStatus(422)->assertSee('was changed again since')->assertSee('theirs');
        self::assertSame([3, 'theirs'], [$this->plan()->revision, $this->names()[0]]);
        $this->step('undo', 3, 3, 'owner')->assertOk();
        $this->step('undo', 2, 4)->assertOk();
        self::assertSame('wake it up', $this->names()[0]);
        $this->step('undo', 2, 5)->assertStatus(422)->assertSee('undone already');
    }

    public function test_a_change_made_on_a_version_of_the_future_is_refused(): void
    {
        $version = $this->job()->version;
        $this->edit([['do' => 'rename-plan', 'name' => 'ahead']], 1, more: ['seen' => $version + 1])->assertStatus(422)->assertSee('open the page anew and make it again');
        $this->answer(['notes' => 'ahead'], seen: $version + 1000)->assertStatus(422);
        $this->edit([['do' => 'rename-plan', 'name' => 'now']], 1, more: ['seen' => $version])->assertOk();
    }

    public function test_an_undo_names_what_it_takes_back(): void
    {
        $queue = ['queue' => str_repeat('e6', 8)];
        $this->edit([self::MOVE], 1, more: $queue)->assertOk();
        $refused = ['request' => str_repeat('f7', 8), ...$queue];
        $this->edit([['do' => 'fit', 'stage' => 's2', 'part' => 'no-such-part']], 1, more: $refused)->assertStatus(422);
        $answer = $this->step('undo', $refused['request'], 1, more: $queue)->assertStatus(422);
        self::assertSame('There is nothing to undo: the change that was meant was not made.', $answer->json('message'));
        self::assertSame(2, $this->plan()->revision, 'the move stands');
    }

    public function test_three_undos_pressed_before_any_answer_walk_back_three_changes(): void
    {
        $queue = ['queue' => str_repeat('a8', 8)];
        $names = array_map(fn (int $i): string => str_repeat("0{$i}", 8), range(1, 6));
        foreach (['one', 'two', 'three'] as $i => $name) {
            $this->edit([self::rename('s1', $name)], 1, more: [...$queue, 'request' => $names[$i]])->assertOk();
        }
        $of = $names[2];
        foreach ([3, 4, 5] as $i) {
            $this->step('undo', $of, 1, more: [...$queue, 'request' => $names[$i]])->assertOk();
            $of = $names[$i];
        }
        self::assertSame('wake it up', $this->names()[0]);
    }

    public function test_a_stage_removed_against_a_part_fitted_in_it(): void
    {
        $this->edit([['do' => 'fit', 'stage' => 's3', 'part' => 'kolvane-h2']], 1, 'owner')->assertOk();
        self::assertTrue($this->edit([['do' => 'remove-stage', 'stage' => 's3']], 1)->assertStatus(409)->json('fields.0.can'));
        $this->edit([['do' => 'remove-stage', 'stage' => 's3']], 2, 'owner')->assertOk();
        self::assertFalse($this->edit([['do' => 'fit', 'stage' => 's3', 'part' => 'kolvane-h3']], 2)->assertStatus(409)->json('fields.0.can'));
    }

    public function test_what_is_shown_in_answer_is_what_the_page_asks_for(): void
    {
        $this->edit([self::MOVE], 1, more: ['show' => 'brief'])->assertOk()->assertJsonPath('state.title', 'Skarn Hill commuter');
        $this->edit([self::rename('s1', 'x')], 2, more: ['show' => 'nothing'])->assertOk()->assertJsonPath('state', null);
        $second = $this->postJson("/jobs/{$this->job()->id}/plans", ['name' => 'Second'])->json('id');
        $this->edit([self::rename('s1', 'y')], 3, more: ['plan' => $second])->assertOk()->assertJsonPath('state.plan', $second);
    }

    public function test_somebody_else_who_signed_in_on_the_same_machine_sends_nothing_of_mine(): void
    {
        $mine = ['person' => $this->person('advisor')->id];
        $this->edit([self::MOVE], 1, 'owner', more: $mine)->assertStatus(401);
        $this->answer(['use' => 'track'], 'owner', more: $mine)->assertStatus(401);
        self::assertSame([1, 1], [$this->plan()->revision, $this->job()->brief_revision]);
        $this->edit([self::MOVE], 1, more: $mine)->assertOk();
    }

    public function test_the_same_request_for_a_plan_and_a_brief_is_not_taken_for_one(): void
    {
        $name = ['request' => str_repeat('9a', 8)];
        $this->edit([self::MOVE], 1, more: $name)->assertOk();
        self::assertStringContainsString('used for another change', $this->answer(['use' => 'track'], more: $name)->assertStatus(422)->json('message'));
    }

    public function test_looking_writes_nothing(): void
    {
        $this->edit([self::MOVE], 1)->assertOk();
        $this->actingAs($this->person('advisor'));
        [$plan, $job] = [$this->plan()->id, $this->job()->id];
        $addresses = ['/', "/jobs/{$job}/brief", "/jobs/{$job}/brief/state", "/jobs/{$job}/bench", "/plans/{$plan}", "/plans/{$plan}/cell?slot=turbo&stage=2", "/plans/{$plan}/stage?stage=2",
            "/plans/{$plan}/reasons?subject=target", "/plans/{$plan}/fixes?subject=target", "/plans/{$plan}/revisions", "/plans/{$plan}/revisions/1", "/plans/{$plan}/variants", "/plans/{$plan}/bundle", '/customers?q=maren'];
        DB::table('stage_figures')->delete();
        DB::table('kept_summaries')->delete();
        DB::table('kept_answers')->delete();
        DB::enableQueryLog();
        foreach ($addresses as $address) {
            $this->get($address)->assertOk();
        }
        self::assertSame([], array_values(array_filter(array_column(DB::getQueryLog(), 'query'), fn (string $sql): bool => preg_match('/^(insert|update|delete)/i', $sql) === 1 && ! str_contains($sql, '"audit_entries"'))));
    }

    public function test_an_edits_answer_is_small(): void
    {
        $answer = $this->edit([self::MOVE], 1)->assertOk();
        self::assertLessThan(20_000, strlen((string) $answer->getContent()));
    }
}
