<?php

namespace Tests\Feature;

use App\Models\AuditEntry;
use App\Models\LibraryEdit;
use App\Models\Part;
use App\Models\Platform;
use App\Models\Price;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Pebblerun\Formats\SchemaValidator;
use Tests\TestCase;

/** The library changed in place: looked at, kept, taken back, published, by two people at once. */
final class LibraryEditTest extends TestCase
{
    private const PANEL = 'fjellvent-panel';

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs($this->person('advisor'));
    }

    private function lyre(): Platform
    {
        return Platform::query()->where('key', 'corvane-lyre-16t')->firstOrFail();
    }

    private function address(string $rest = ''): string
    {
        return "/library/{$this->lyre()->id}{$rest}";
    }

    /** @return array<string, mixed> a document as the page is given it */
    private function document(string $address): array
    {
        return $this->get($this->address($address))->assertOk()->viewData('page')['props']['document'];
    }

    /**
     * @param  TestResponse<Response>  $answer
     * @return TestResponse<Response>
     */
    private static function follows(string $definition, TestResponse $answer): TestResponse
    {
        (new SchemaValidator(base_path('schemas')))->check("answers.json#/properties/{$definition}", json_decode((string) $answer->getContent()));

        return $answer;
    }

    /**
     * @param  array<string, mixed>  $document
     * @return TestResponse<Response>
     */
    private function keep(string $key, array $document, int $seen = 0): TestResponse
    {
        return $this->putJson($this->address("/parts/{$key}"), ['seen' => $seen, 'document' => $document]);
    }

    /** @return array<string, mixed> */
    private function panel(float $likely): array
    {
        $part = $this->document('/parts/'.self::PANEL);
        $part['gains'][0]['power'] = [0, $likely, 6];
        $part['gains'][0]['evidence']['note'] = 'two more cars';

        return $part;
    }

    public function test_a_part_is_kept_told_and_published_and_plans_keep_what_they_had(): void
    {
        $power = fn (): array => $this->getJson("/plans/{$this->plan()->id}")->assertOk()->json('estimate.stages.1.power');
        $before = $power();
        $kept = self::follows('libraryKept', $this->keep(self::PANEL, $this->panel(2.0))->assertOk());
        $kept->assertJsonPath('state.number', 1)->assertJsonPath('state.version', 1)->assertJsonPath('state.changes', ['Panel filter: gain 1 → 2 whp'])
            ->assertJsonPath('state.edits.0.who', 'Ines Harrow')->assertJsonPath('document.gains.0.power', [0, 2, 6]);
        self::assertSame(1, $this->lyre()->latest()->number, 'nothing is published yet');
        self::assertSame(1, Price::query()->whereRelation('part', 'key', self::PANEL)->count(), 'its price is what it was');

        $this->postJson($this->address('/publication'), ['seen' => 0])->assertStatus(422)->assertSee('The library was changed after you opened this page');
        self::follows('libraryKept', $this->postJson($this->address('/publication'), ['seen' => 1])->assertCreated())->assertJsonPath('state.version', 2)->assertJsonPath('state.changes', []);
        self::assertSame(1, AuditEntry::query()->where('event', 'version-published')->where('who', 'Ines Harrow')->count());
        self::assertSame($before, $power(), 'the plan is as it was quoted');
        $this->postJson($this->address('/publication'), ['seen' => 1])->assertCreated()->assertJsonPath('state.version', 2);
    }

    public function test_a_plan_says_what_changed_and_takes_it_when_told_and_gives_it_back(): void
    {
        $state = fn (): array => $this->getJson("/plans/{$this->plan()->id}")->assertOk()->json();
        $before = $state();
        self::assertSame(['version' => 1, 'newest' => 1, 'repriced' => false], $before['library']);
        $part = $this->document('/parts/brimstall-dp-cat');
        $part['gains'] = array_map(fn (array $case): array => [...$case, 'power' => array_map(fn (float|int $figure): float => 0.5 * $figure, $case['power'])], $part['gains']);
        $this->keep('brimstall-dp-cat', $part)->assertOk();
        $this->postJson($this->address('/publication'), ['seen' => 1, 'confirmed' => true])->assertCreated();
        $clutch = Part::query()->where('key', 'tarnstone-sport')->firstOrFail();
        $price = $clutch->prices()->firstOrFail()->money['new'];
        $this->travel(1)->minutes();
        $this->postJson("/parts/{$clutch->id}/prices", ['request' => bin2hex(random_bytes(8)), 'likely' => $price[1] + 60, 'as_of' => $this->person('advisor')->shop->today()])->assertCreated();
        self::assertSame(['version' => 1, 'newest' => 2, 'repriced' => true], $state()['library']);
        self::assertSame($before['estimate']['stages'][3]['power'], $state()['estimate']['stages'][3]['power'], 'figures are as quoted');

        $told = $this->getJson("/plans/{$this->plan()->id}/renewal")->assertOk();
        self::follows('renewal', $told);
        self::assertSame(['Organic sport clutch: + € 60', 'Catalysed 76 mm pipe: gain 12 → 6 whp'], $told->json('changes'));
        self::assertNotSame($told->json('was'), $told->json('now'));

        $this->step('renew', 7, 1)->assertStatus(422)->assertSee('The library has no version 7');
        $after = $this->step('renew', 2, 1)->assertOk()->json('state');
        self::assertSame(['version' => 2, 'newest' => 2, 'repriced' => false], $after['library']);
        self::assertSame('Take version 2 of the library', $after['label']);
        self::assertLessThan($before['estimate']['stages'][3]['power']['p50'], $after['estimate']['stages'][3]['power']['p50']);
        $this->step('renew', 2, 2)->assertStatus(422)->assertSee('The plan has version 2 already.');

        $undone = $this->step('undo', 2, 2)->assertOk()->json('state');
        self::assertSame(1, $undone['library']['version']);
        self::assertSame($before['estimate']['stages'][3]['power'], $undone['estimate']['stages'][3]['power']);
        self::assertSame(2, $this->step('redo', 3, 3)->assertOk()->json('state.library.version'));
        self::assertSame($before['estimate']['stages'][3]['power'], $this->getJson("/plans/{$this->plan()->id}/revisions/1")->assertOk()->json('estimate.stages.3.power'), 'an earlier revision is shown as it was');
    }

    public function test_nobody_overwrites_what_another_changed_and_every_change_goes_back(): void
    {
        $mine = $this->panel(2.0);
        $this->keep(self::PANEL, $mine)->assertOk();
        $theirs = [...$mine, 'name' => 'Panel filter, dry'];
        $this->actingAs($this->person('owner'));
        $this->keep(self::PANEL, $theirs, 0)->assertStatus(409)->assertSee('Ines Harrow changed this at')->assertJsonPath('theirs.gains.0.power', [0, 2, 6]);
        $this->keep(self::PANEL, $theirs, 1)->assertOk()->assertJsonPath('state.number', 2);
        $this->keep(self::PANEL, $theirs, 2)->assertOk()->assertJsonPath('state.number', 2);

        $undo = fn (int $number): TestResponse => $this->postJson($this->address("/edits/{$number}/undo"));
        $undo(1)->assertStatus(409);
        $undo(2)->assertOk()->assertJsonPath('state.number', 3)->assertJsonPath('state.edits.0.how', 'taken back');
        self::assertSame('Panel filter', $this->document('/parts/'.self::PANEL)['name']);
        $undo(9)->assertNotFound();
    }

    public function test_a_part_is_added_with_a_key_of_its_own_looked_at_and_taken_away(): void
    {
        $part = ['name' => 'Dry panel', 'maker' => 'Fjellvent', 'slots' => ['filter'], 'gains' => [['power' => [0, 1, 2], 'torque' => [0, 1, 2], 'evidence' => ['kind' => 'maker']]], 'price' => ['new' => 39, 'hours' => 0.2]];
        $look = self::follows('libraryLook', $this->postJson($this->address('/parts/new/look'), ['document' => $part])->assertOk());
        $look->assertJsonPath('faults', [])->assertJsonPath('preview.0.build', 'On a stock car')->assertJsonPath('preview.0.adds', '+0 whp')->assertJsonPath('preview.1.build', 'With a map')->assertJsonPath('preview.1.adds', '+1 whp');
        $this->postJson($this->address('/parts/new/look'), ['document' => [...$part, 'name' => 'Panel filter']])->assertJsonPath('doubts.0.message', 'Fjellvent Panel filter is here already: change that one, or give this another name.');
        $this->postJson($this->address('/parts/new/look'), ['document' => [...$part, 'slots' => ['filtre']]])->assertJsonPath('faults.0.path', 'slots[0]');

        $this->postJson($this->address('/parts'), ['document' => $part])->assertCreated()->assertJsonPath('key', 'fjellvent-dry-panel')->assertJsonPath('state.changes', ['Dry panel: new']);
        self::assertSame('Ines Harrow', Price::query()->whereRelation('part', 'key', 'fjellvent-dry-panel')->firstOrFail()->author?->name);
        $this->postJson($this->address('/parts'), ['document' => $part])->assertCreated()->assertJsonPath('key', 'fjellvent-dry-panel-2');
        $this->postJson($this->address('/parts/fjellvent-dry-panel-2/retirement'), ['seen' => 2, 'goes' => true])->assertOk()->assertJsonPath('document', null);
        $this->get($this->address('/parts/fjellvent-dry-panel-2'))->assertNotFound();
        $this->postJson($this->address('/edits/3/undo'))->assertOk()->assertJsonPath('state.changes', ['Dry panel: new', 'Dry panel: new']);
    }

    public function test_a_part_that_is_sent_again_is_added_once_and_a_change_of_the_future_is_refused(): void
    {
        $this->actingAs($this->person('advisor'));
        $part = ['name' => 'Ram scoop', 'maker' => 'Fjellvent', 'slots' => ['filter'], 'gains' => [['power' => [1, 2, 3], 'torque' => [1, 2, 3], 'evidence' => ['kind' => 'maker']]], 'price' => ['new' => 50, 'hours' => 1]];
        $keys = array_map(fn (): string => (string) $this->postJson($this->address('/parts'), ['request' => str_repeat('d', 16), 'document' => $part])->assertCreated()->json('subject'), [1, 2, 3]);
        self::assertCount(1, array_unique($keys));
        self::assertSame(1, Part::query()->where('name', 'Ram scoop')->count());
        $this->putJson($this->address('/parts/fjellvent-panel'), ['seen' => 999, 'document' => ['key' => 'fjellvent-panel', ...$part]])->assertStatus(422)->assertSee('made after change 999 of the library');
    }

    public function test_what_is_in_use_is_retired_with_a_successor_and_never_deleted(): void
    {
        $retire = fn (string $key, array $how, int $seen): TestResponse => $this->postJson($this->address("/parts/{$key}/retirement"), ['seen' => $seen, ...$how]);
        $retire(self::PANEL, ['goes' => true], 0)->assertStatus(422)->assertSee('retire it instead');
        $retire(self::PANEL, ['successor' => 'nobody'], 0)->assertStatus(422);
        $retire(self::PANEL, ['successor' => 'fjellvent-sealed-box'], 0)->assertOk()->assertJsonPath('state.changes', ['Panel filter: no longer offered, Sealed intake box takes its place']);
        $this->postJson($this->address('/publication'), ['seen' => 1])->assertCreated();
        $told = $this->step('renew', 2, 1)->assertOk()->json('state.estimate');
        self::assertStringContainsString('Panel filter is no longer offered: Sealed intake box takes its place.', (string) json_encode($told));
        $offered = $this->getJson("/plans/{$this->plan()->id}/cell?slot=filter&stage=2")->assertOk()->json('candidates');
        self::assertNotContains(self::PANEL, array_column($offered, 'part'));
    }

    public function test_faults_name_their_place_and_nothing_is_kept(): void
    {
        $part = $this->panel(2.0);
        foreach ([
            [[...$part, 'price' => [...$part['price'], 'hours' => -1]], 'price.hours'],
            [[...$part, 'gains' => [[...$part['gains'][0], 'power' => [3, 2, 1]]]], 'gains[0].power'],
            [[...$part, 'gains' => [[...$part['gains'][0], 'power' => [-900, -800, -700]]]], 'leaves nothing'],
            [[...$part, 'key' => 'other'], 'A part keeps its key'],
            [[...$part, 'requires' => [['that' => ['part' => 'nobody'], 'reason' => 'x']]], 'requires[0].that'],
        ] as [$document, $words]) {
            $this->keep(self::PANEL, $document)->assertStatus(422)->assertSee($words);
        }
        $this->putJson($this->address(), ['seen' => 0, 'document' => [...$this->document('/platform'), 'rev_limit' => 900]])->assertStatus(422)->assertSee('rev_limit');
        self::assertSame(0, LibraryEdit::query()->count());
    }

    public function test_a_platform_is_looked_at_as_it_is_typed(): void
    {
        $document = $this->document('/platform');
        $look = fn (array $more): TestResponse => self::follows('libraryLook', $this->postJson($this->address('/look'), ['document' => [...$document, ...$more]])->assertOk());
        $look([])->assertJsonPath('faults', [])->assertJsonPath('doubts', [])->assertJsonPath('picture.facts.0.name', 'At the wheels');
        $boosted = ['baseline' => [...$document['baseline'], 'points' => array_map(fn (array $point): array => [...$point, 'torque' => 1.3 * $point['torque']], $document['baseline']['points'])]];
        $doubts = $look($boosted)->json('doubts');
        self::assertStringContainsString('the engine would fill to', $doubts[0]['message']);
        self::assertContains('claimed.power', array_column($doubts, 'path'));
        self::assertNotSame([], array_filter($doubts, fn (array $doubt): bool => str_contains($doubt['message'], 'of what is safe')));

        $this->putJson($this->address(), ['seen' => 0, 'document' => [...$document, ...$boosted]])->assertOk()->assertJsonPath('state.changes.0', "The stock car's curve is revised: 214 → 278 whp");
        $refused = $this->postJson($this->address('/publication'), ['seen' => 1])->assertStatus(422);
        self::assertGreaterThan(1, count($refused->json('doubts')));
        $this->postJson($this->address('/publication'), ['seen' => 1, 'confirmed' => true])->assertCreated()->assertJsonPath('state.version', 2);
    }

    public function test_a_platform_shows_its_other_curves_in_the_shops_frame(): void
    {
        $document = $this->document('/platform');
        $times = fn (float $factor): array => ['points' => array_map(fn (array $point): array => [...$point, 'torque' => $factor * $point['torque']], $document['baseline']['points']), 'frame' => ['dyno' => 'inertia-roller'], 'evidence' => ['kind' => 'other-dyno']];
        $look = fn (float $factor): TestResponse => self::follows('libraryLook', $this->postJson($this->address('/look'), ['document' => [...$document, 'baselines' => [['when' => ['ethanol' => ['at_least' => 25]], 'baseline' => $times($factor)]]]])->assertOk());
        $shown = $look(1.0)->assertJsonPath('faults', [])->assertJsonPath('picture.others.0.name', 'With a fuel with at least 25 % ethanol');
        self::assertStringContainsString('converted from another dyno, inertia roller (× 0.85 to 0.92)', $shown->json('picture.others.0.peaks'));
        self::assertEqualsWithDelta(0.89 * max($shown->json('picture.power')), max($shown->json('picture.others.0.power')), 1.0);
        $doubts = $look(1.6)->json('doubts');
        self::assertSame('baselines[0]', $doubts[0]['path']);
        self::assertStringStartsWith('Curve 1: ', $doubts[0]['message']);
        $this->postJson($this->address('/look'), ['document' => [...$document, 'baselines' => [['when' => ['ethanol' => ['at_least' => 25]], 'baseline' => ['frame' => ['dyno' => 'moon']] + $times(1.0)]]]])->assertOk()->assertJsonPath('faults.0.path', 'baselines[0].baseline.frame');
    }

    public function test_a_platform_begins_with_a_few_answers_and_can_be_planned_on_once_it_is_published(): void
    {
        $answers = ['name' => 'Orrin Vale 1.8', 'make' => 'Orrin', 'model' => 'Vale 1.8', 'from' => 2015, 'to' => 2021, 'displacement' => 1.8, 'cylinders' => 4, 'aspiration' => 'turbo', 'injection' => 'direct', 'fuel' => 'petrol', 'drive' => 'front', 'gearbox' => 'manual', 'rev_limit' => 6800, 'torque' => 215, 'torque_rpm' => 2600, 'power' => 195, 'power_rpm' => 5800];
        foreach ([['torque_rpm' => 6000, 'The torque peak must be at a lower rpm'], ['to' => 2001, 'does not come before'], ['aspiration' => 'steam', null], ['name' => 'Corvane Lyre 1.6T', 'has a platform']] as $case) {
            $words = array_pop($case);
            $answer = $this->postJson('/library', [...$answers, ...$case])->assertStatus(422);
            $words === null || $answer->assertSee((string) $words);
        }
        $id = self::follows('platformMade', $this->postJson('/library', $answers)->assertCreated())->json('id');
        $props = $this->get("/library/{$id}/platform")->assertOk()->viewData('page')['props'];
        self::assertNull($props['state']['version']);
        self::assertSame([], $props['look']['doubts'], 'what is typical is believed');
        self::assertSame(['typical of its kind'], array_values(array_unique(array_column($props['look']['picture']['readings'], 'rests'))));
        $this->get("/library/{$id}")->assertOk();
        $this->get('/')->assertOk()->assertInertia(fn ($page) => $page->has('platforms', 5));

        $this->postJson("/library/{$id}/publication", ['seen' => 0, 'confirmed' => true])->assertCreated()->assertJsonPath('state.version', 1);
        $this->get('/')->assertOk()->assertInertia(fn ($page) => $page->has('platforms', 6));

        $sibling = $this->postJson('/library', ['name' => 'Corvane Lyre 1.6T estate', 'sibling_of' => $this->lyre()->id])->assertCreated()->json('id');
        self::assertSame(array_map(fn (array $lane): array => array_column($lane['slots'], 'name'), $this->get("/library/{$this->lyre()->id}")->viewData('page')['props']['shown']['lanes']), array_map(fn (array $lane): array => array_column($lane['slots'], 'name'), $this->get("/library/{$sibling}")->viewData('page')['props']['shown']['lanes']));
    }

    public function test_a_part_is_added_to_several_platforms_at_once_or_to_none(): void
    {
        $part = ['name' => 'Race filter', 'maker' => 'Fjellvent', 'slots' => ['filter'], 'gains' => [], 'price' => ['new' => 80, 'hours' => 0.2]];
        $others = Platform::query()->whereIn('key', ['marlow-tern-24', 'pindle-mule-212'])->orderBy('key')->pluck('id', 'key');
        $there = fn (): array => array_column(DB::select("select p.key from fitments f join platforms p on p.id = f.platform_id join parts t on t.id = f.part_id where t.name = 'Race filter' order by 1"), 'key');
        $refused = $this->postJson($this->address('/parts'), ['document' => [...$part, 'slots' => ['charge-pipe']], 'also' => array_values($others->all())])->assertStatus(422);
        self::assertStringContainsString('Marlow Tern 2.4: ', (string) $refused->getContent(), 'it has no such slot');
        self::assertSame([], $there());
        $this->postJson($this->address('/parts'), ['document' => $part, 'also' => [$others['marlow-tern-24']]])->assertCreated();
        self::assertSame(['corvane-lyre-16t', 'marlow-tern-24'], $there());
        $this->postJson($this->address('/parts'), ['document' => [...$part, 'name' => 'Other filter'], 'also' => [999999]])->assertNotFound();
    }

    public function test_a_part_says_what_it_leaves_and_what_its_figures_come_to(): void
    {
        $pump = ['key' => 'own', 'name' => 'Own pump', 'maker' => 'Pellaworks', 'slots' => ['low-pump'], 'gains' => [], 'price' => ['new' => 80, 'hours' => 0.2]];
        $notes = fn (array $part): array => self::follows('libraryLook', $this->postJson($this->address('/parts/own/look'), ['document' => $part])->assertOk()->assertJsonPath('faults', []))->json('notes');
        self::assertStringContainsString('The stock car’s Low-pressure pump stays as it is', implode(' ', $notes($pump)));
        $own = ['key' => 'own-flow', 'name' => 'Own pump', 'slot' => 'low-pump', 'kind' => 'feed-pump', 'good_for' => 420, 'consequence' => 'it starves', 'evidence' => ['kind' => 'maker']];
        self::assertStringStartsWith('Own pump: 420 whp on pump fuel take', implode(' ', $notes([...$pump, 'effects' => ['supplies' => [$own]]])));
        self::assertSame([], $notes([...$pump, 'effects' => ['replaces' => ['low-pump-flow']]]));
    }
}
