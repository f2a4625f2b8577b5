<?php

namespace Tests\Feature;

use App\Models\Platform;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Pebblerun\Formats\SchemaValidator;
use Tests\TestCase;

/** What gains and limits rest on: put on record, and taken into use only by a person. */
final class EvidenceTest extends TestCase
{
    private function address(string $rest): string
    {
        return '/library/'.Platform::query()->where('key', 'corvane-lyre-16t')->value('id').$rest;
    }

    /**
     * @param  TestResponse<Response>  $answer
     * @return list<array<string, mixed>>
     */
    private static function read(string $definition, TestResponse $answer): array
    {
        (new SchemaValidator(base_path('schemas')))->check("answers.json#/properties/{$definition}", json_decode((string) $answer->getContent()));

        return $answer->json();
    }

    /** @return list<array<string, mixed>> */
    private function gains(string $part = 'brimstall-dp-cat'): array
    {
        return self::read('gainEvidence', $this->getJson($this->address("/parts/{$part}/evidence"))->assertOk());
    }

    /**
     * @param  array<string, mixed>  $more
     * @return TestResponse<Response>
     */
    private function record(int $case, array $more = [], string $part = 'brimstall-dp-cat'): TestResponse
    {
        return $this->postJson($this->address("/parts/{$part}/evidence"), ['request' => bin2hex(random_bytes(8)), 'case' => $case, 'kind' => 'shop-dyno', 'power' => [4, 7, 11], 'torque' => [5, 9, 12], 'on' => '2026-11-02', 'build' => 'three cars with a dyno map', 'frame' => 'load roller, J1349', 'source' => 'run 118', ...$more]);
    }

    public function test_records_stand_beside_the_figure_in_use_and_say_what_each_would_do(): void
    {
        $this->actingAs($this->person('tuner'));
        $case = $this->gains()[0];
        self::assertNull($case['by_rule']);
        $this->record($case['id'])->assertCreated();
        $this->record($case['id'], ['power' => [3, 8, 10]])->assertCreated();
        $this->record($case['id'], ['kind' => 'maker', 'power' => [15, 20, 25]])->assertCreated();
        $after = $this->gains()[0];
        self::assertSame([3, 7.5, 11], $after['by_rule']['power']);
        self::assertSame(['shop-dyno', 2], [$after['by_rule']['kind'], $after['by_rule']['from']]);
        self::assertSame($case['in_use'], $after['in_use'], 'nothing changes by itself');
        $adds = array_map(intval(...), array_column($after['records'], 'adds'));
        self::assertGreaterThan($adds[0], $adds[2], 'the claim would promise more');
        self::assertSame([(string) $this->person('tuner')->name, 'run 118'], [$after['records'][0]['by'], $after['records'][0]['source']]);
        $this->postJson($this->address('/parts/brimstall-dp-cat/evidence/rule'), ['case' => $case['id'], 'seen' => 0])->assertForbidden();

        $this->actingAs($this->person('advisor'));
        $kept = $this->postJson($this->address('/parts/brimstall-dp-cat/evidence/rule'), ['case' => $case['id'], 'seen' => 0])->assertOk();
        self::assertSame(['Catalysed 76 mm pipe: gain 12 → 8 whp'], $kept->json('state.changes'));
        self::assertEquals(['kind' => 'shop-dyno', 'note' => 'by the rule, from 2 records', 'set' => 'rule'], $kept->json('document.gains.0.evidence'));
        self::assertCount(3, $this->gains()[0]['records'], 'the records stay');
        $this->postJson($this->address('/edits/1/undo'))->assertOk()->assertJsonPath('state.changes', []);
    }

    public function test_many_records_cost_little_and_all_of_them_count(): void
    {
        $this->actingAs($this->person('tuner'));
        $case = $this->gains()[0]['id'];
        $row = ['shop_id' => $this->job()->shop_id, 'gain_case_id' => $case, 'kind' => 'shop-dyno', 'author_id' => $this->person('tuner')->id, 'made_on' => '2026-11-02', 'build' => '', 'frame' => '', 'source' => '', 'created_at' => now()];
        DB::table('evidence_records')->insert(array_map(fn (int $n): array => [...$row, 'figures' => json_encode(['power' => [3, 7 + $n % 5, 40], 'torque' => [4, 8, 12]])], range(1, 362)));
        $this->gains();
        $began = hrtime(true);
        $shown = $this->gains()[0];
        self::assertLessThan(1_500, (hrtime(true) - $began) / 1e6, 'ms; 40 a record would be 14 s');
        self::assertSame([20, 342, 362], [count($shown['records']), $shown['older'], $shown['by_rule']['from']]);
        self::assertNotSame('', $shown['records'][19]['adds']);
    }

    public function test_a_record_that_is_sent_again_is_there_once(): void
    {
        $this->actingAs($this->person('tuner'));
        $case = $this->gains()[0]['id'];
        foreach ([1, 2, 3] as $try) {
            $this->record($case, ['request' => str_repeat('a', 16)])->assertCreated();
        }
        self::assertCount(1, $this->gains()[0]['records']);
        $this->record($case, ['request' => str_repeat('a', 16), 'source' => 'another'])->assertStatus(422)->assertSee('was used for another change');
        $this->record($case, ['request' => 'x'])->assertStatus(422);
    }

    public function test_a_figure_that_is_set_by_hand_says_so_and_wants_a_reason(): void
    {
        $this->actingAs($this->person('advisor'));
        $part = $this->get($this->address('/parts/fjellvent-panel'))->viewData('page')['props']['document'];
        $part['gains'][0]['power'] = [0, 2, 4];
        $kept = $this->putJson($this->address('/parts/fjellvent-panel'), ['seen' => 0, 'document' => $part])->assertOk();
        self::assertSame('hand', $kept->json('document.gains.0.evidence.set'));
        $look = fn (array $document): array => array_column($this->postJson($this->address('/parts/fjellvent-panel/look'), ['document' => $document])->json('doubts'), 'path');
        self::assertSame(['gains[0].evidence.note'], $look($kept->json('document')));
        $told = $kept->json('document');
        $told['gains'][0]['evidence']['note'] = 'two more cars since the summer';
        self::assertSame([], $look($told));
    }

    public function test_records_stay_with_their_case_wherever_it_stands(): void
    {
        $this->actingAs($this->person('advisor'));
        $cases = $this->gains('fjellvent-panel');
        self::assertCount(2, $cases);
        $this->record($cases[1]['id'], part: 'fjellvent-panel')->assertCreated();
        $part = $this->get($this->address('/parts/fjellvent-panel'))->viewData('page')['props']['document'];
        $part['gains'] = array_reverse($part['gains']);
        $this->putJson($this->address('/parts/fjellvent-panel'), ['seen' => 0, 'document' => $part])->assertOk();
        $after = $this->gains('fjellvent-panel');
        self::assertSame([$cases[1]['id'], 1, 0], [$after[0]['id'], count($after[0]['records']), count($after[1]['records'])]);
    }

    public function test_a_record_without_sense_is_refused(): void
    {
        $this->actingAs($this->person('advisor'));
        $case = $this->gains()[0]['id'];
        foreach ([['kind' => 'rumour'], ['power' => [9, 7, 11]], ['power' => [1, 2]], ['on' => '2030-01-01'], ['torque' => ['x', 1, 2]], ['case' => 999_999_999]] as $wrong) {
            $this->record($case, $wrong)->assertStatus(422);
        }
        self::assertSame([], $this->gains()[0]['records']);
    }

    public function test_outcomes_propose_a_limit_and_nobodys_limit_changes_by_itself(): void
    {
        $this->actingAs($this->person('technician'));
        $limits = fn (): array => array_column(self::read('limitEvidence', $this->getJson($this->address('/outcomes'))->assertOk()), null, 'key');
        $before = $limits()['clutch'];
        self::assertSame([5, null], [$before['proposed']['missing'], $before['proposed']['safe']]);
        $keep = fn (array $more): TestResponse => $this->postJson($this->address('/outcomes'), ['request' => bin2hex(random_bytes(8)), 'limit' => $before['id'], 'broke' => false, 'months' => 14, 'on' => '2026-10-01', 'how' => '', ...$more]);
        foreach ([280, 300, 310, 320] as $load) {
            $keep(['load' => $load])->assertCreated();
        }
        $keep(['load' => 335, 'broke' => true, 'months' => 2, 'how' => 'slipped in fourth'])->assertCreated();
        foreach ([['load' => 0], ['load' => 'much'], ['load' => 300, 'months' => -1], ['load' => 300, 'on' => '2031-01-01'], ['load' => 300, 'limit' => 999_999_999]] as $wrong) {
            $keep($wrong)->assertStatus(422);
        }
        $after = $limits()['clutch'];
        self::assertSame([300, 335, 4, 1, 0], [$after['proposed']['safe'], $after['proposed']['edge'], $after['proposed']['lived'], $after['proposed']['broke'], $after['proposed']['missing']]);
        self::assertSame([$before['safe'], $before['edge']], [$after['safe'], $after['edge']]);
        self::assertSame((string) $this->person('technician')->name, $after['outcomes'][0]['by']);
        // One that broke early under a map that is suspect says nothing against what others bore.
        $keep(['load' => 270, 'broke' => true, 'months' => 1, 'how' => 'let go', 'map_sound' => false, 'map_by' => 'a stranger', 'fuel' => 'pump-98', 'used_on' => 'track', 'km' => 900, 'hard_percent' => 60])->assertCreated();
        $with = $limits()['clutch'];
        self::assertSame([300, 2, 2], [$with['proposed']['safe'], $with['proposed']['broke'], $with['proposed']['doubtful']]);
        self::assertSame('let go; Pump 98, a suspect map by a stranger, on the track, 900 km, 60 % of it hard', $with['outcomes'][0]['how']);
        // In rows it is written in SI: 270 lb-ft are 366.07 N·m.
        $row = (array) DB::table('limit_outcomes')->orderByDesc('id')->first();
        self::assertEqualsWithDelta(366.07, $row['load'], 0.01);
        self::assertSame([0.6, 900, 'track', false], [(float) $row['hard_share'], $row['km'], $row['used_on'], $row['map_sound']]);
        foreach ([['fuel' => 'no-such-fuel'], ['hard_percent' => 101], ['used_on' => 'moon']] as $wrong) {
            $keep(['load' => 300, ...$wrong])->assertStatus(422);
        }
    }

    /** A claim at the crank counts at the wheels: less by what a manual loses. */
    public function test_a_record_of_another_frame_is_brought_to_the_shops_own_by_the_rule(): void
    {
        $this->actingAs($this->person('tuner'));
        $case = $this->gains()[0];
        $this->record($case['id'], ['kind' => 'maker', 'power' => [10, 20, 30], 'torque' => [10, 20, 30], 'frame_at' => 'crank'])->assertCreated();
        $after = $this->gains()[0];
        self::assertEquals([10, 20, 30], $after['records'][0]['power'], 'as it was said');
        self::assertStringStartsWith('at the crank', $after['records'][0]['frame']);
        self::assertLessThan(18.0, $after['by_rule']['power'][1]);
        self::assertGreaterThan(14.0, $after['by_rule']['power'][1]);
        $this->record($case['id'], ['kind' => 'maker', 'frame_dyno' => 'no-such-dyno'])->assertStatus(422);
        self::assertEqualsWithDelta(20 * 745.699872, json_decode((string) DB::table('evidence_records')->whereNotNull('figures')->orderByDesc('id')->value('figures'), true)['power'][1], 0.01);
    }

    public function test_a_limit_has_records_and_comes_from_them_only_by_a_person(): void
    {
        $limits = fn (): array => array_column(self::read('limitEvidence', $this->getJson($this->address('/outcomes'))->assertOk()), null, 'key');
        $this->actingAs($this->person('tuner'));
        $before = $limits()['clutch'];
        self::assertSame([[], null], [$before['records'], $before['by_rule']]);
        $keep = fn (array $more): TestResponse => $this->postJson($this->address('/limit-records'), ['request' => bin2hex(random_bytes(8)), 'limit' => $before['id'], 'kind' => 'maker', 'safe' => 330, 'edge' => 360, 'on' => '2026-10-01', 'source' => 'sheet of the clutch', ...$more]);
        $keep([])->assertCreated();
        $keep(['kind' => 'other-dyno', 'safe' => 300, 'edge' => 325])->assertCreated();
        $keep(['kind' => 'other-dyno', 'safe' => 290, 'edge' => 330])->assertCreated();
        foreach ([['kind' => 'rumour'], ['safe' => 0], ['edge' => 'much'], ['on' => '2031-01-01'], ['limit' => 999_999_999]] as $wrong) {
            $keep($wrong)->assertStatus(422);
        }
        $after = $limits()['clutch'];
        self::assertEquals(['safe' => 290, 'edge' => 325, 'evidence' => ['kind' => 'other-dyno', 'note' => 'by the rule, from 2 records', 'set' => 'rule']], $after['by_rule']);
        self::assertSame([$before['safe'], $before['edge'], $before['in_use']], [$after['safe'], $after['edge'], $after['in_use']], 'nothing changes by itself');
        self::assertSame(['sheet of the clutch', (string) $this->person('tuner')->name], [$after['records'][0]['source'], $after['records'][0]['by']]);
        self::assertEqualsWithDelta((float) $before['in_use']['stock'] * $before['safe'] / 330, (float) $after['records'][0]['stock'], 1.0);

        $this->actingAs($this->person('advisor'));
        $document = $this->get($this->address('/platform'))->viewData('page')['props']['document'];
        $at = (int) array_search('clutch', array_column($document['limits'], 'key'), true);
        $write = function (array $limit, int $seen) use (&$document, $at): TestResponse {
            $document['limits'][$at] = [...$document['limits'][$at], ...$limit];
            $kept = $this->putJson($this->address(''), ['seen' => $seen, 'document' => $document])->assertOk();
            $document = $kept->json('document');

            return $kept;
        };
        $write($after['by_rule'], 0);
        self::assertEquals(['rule', 290], [$limits()['clutch']['in_use']['set'], $limits()['clutch']['safe']]);
        $write(['safe' => 285, 'edge' => 320, 'evidence' => ['kind' => 'other-dyno', 'note' => 'by the rule, from 3 records', 'set' => 'rule']], 1);
        self::assertSame('rule', $limits()['clutch']['in_use']['set'], 'also the second time');
        $write(['safe' => 310], 2);
        self::assertSame('hand', $limits()['clutch']['in_use']['set']);
        $look = fn (array $evidence): array => array_column($this->postJson($this->address('/look'), ['document' => [...$document, 'limits' => array_replace($document['limits'], [$at => [...$document['limits'][$at], 'evidence' => $evidence]])]])->assertOk()->json('doubts'), 'message', 'path');
        self::assertSame([], $look(['kind' => 'other-dyno', 'note' => 'eight cars since', 'set' => 'hand']));
        self::assertStringContainsString('was set by hand: say why', $look(['kind' => 'other-dyno', 'set' => 'hand'])["limits[{$at}].evidence.note"]);
    }
}
