<?php

namespace Tests\Feature;

use App\Models\Part;
use Illuminate\Support\Facades\Route;
use Illuminate\Testing\TestResponse;
use Pebblerun\Core\Catalog\TradeWords;
use Pebblerun\Core\Job\Commands\Commands;
use Pebblerun\Formats\SchemaValidator;
use Tests\TestCase;

/** Everything the server answers to the page follows its schema; the page's types are written from the same. */
final class AnswersTest extends TestCase
{
    /** What each route answers: a definition of schemas/answers.json, or why there is none. */
    private const ANSWERS = [
        'GET sign-in' => 'a plain page', 'POST sign-in' => 'a redirect', 'GET sign-in/code' => 'a plain page', 'POST sign-in/code' => 'a redirect', 'GET forgotten' => 'a plain page', 'POST forgotten' => 'a plain page',
        'GET password/{token}' => 'a plain page', 'POST password/{token}' => 'a redirect', 'GET sign-in/link/{token}' => 'a plain page', 'POST sign-in/link/{token}' => 'a redirect', 'GET begin/{token}' => 'a plain page', 'POST begin/{token}' => 'a redirect', 'GET signed-in' => 'nothing at all', 'PUT account/invitations/{membership}' => 'answered', 'DELETE account/invitations/{membership}' => 'answered', 'POST sign-out' => 'a redirect', 'GET caught-mail' => 'a plain page', 'GET health' => 'a plain page', 'GET up' => 'a word for monitors', 'PUT me' => 'readsIn',
        'GET account' => 'accountPage', 'PUT account/shop' => 'shops', 'PUT account/password' => 'said', 'DELETE account/sessions' => 'sessions', 'DELETE account/sessions/{session}' => 'sessions',
        'POST account/factor' => 'newFactor', 'PUT account/factor' => 'recoveryCodes', 'DELETE account/factor' => 'said',
        'GET shop' => 'shopPage', 'PUT shop' => 'shopPage', 'DELETE shop/terms/{terms}' => 'shopPage',
        'GET people' => 'peoplePage', 'POST people' => 'members', 'PUT people/{membership}/role' => 'members', 'POST people/{membership}/invitation' => 'members',
        'POST people/{membership}/deactivation' => 'members', 'DELETE people/{membership}/deactivation' => 'members', 'GET audit' => 'auditTrail', 'POST jobs' => 'a redirect',
        'GET plans/{plan}/bundle' => 'the open format', 'GET plans/{plan}/marks/{mark}/bundle' => 'the open format',
        'GET library' => 'libraryPage', 'GET library/{platform}' => 'libraryPage', 'GET library/{platform}/parts/{key}/evidence' => 'gainEvidence', 'POST library/{platform}/parts/{key}/evidence' => 'gainEvidence', 'POST library/{platform}/parts/{key}/evidence/rule' => 'libraryKept', 'GET library/{platform}/outcomes' => 'limitEvidence', 'POST library/{platform}/outcomes' => 'limitEvidence', 'POST library/{platform}/limit-records' => 'limitEvidence',
        'POST library/documents' => 'task', 'GET library/{platform}/files/{file}' => 'the open format', 'GET archive' => 'an archive', 'GET search' => 'found', 'GET parts/{part}' => 'a redirect', 'GET price-lists' => 'priceListsPage', 'GET price-lists/{list}' => 'priceListsPage', 'GET price-lists/{list}/rows' => 'priceListRows', 'POST price-lists/{list}/look' => 'task', 'PUT price-lists/{list}/rows/{line}' => 'priceListShown', 'POST price-lists/{list}/taking' => 'task', 'POST price-lists/{list}/undo' => 'priceListShown',
        'POST suppliers' => 'supplierMade', 'POST suppliers/{supplier}/refresh' => 'refreshed', 'POST suppliers/{supplier}/price-lists' => 'priceListSent',
        'POST library' => 'platformMade', 'GET library/{platform}/platform' => 'platformPage', 'PUT library/{platform}' => 'libraryKept', 'POST library/{platform}/look' => 'libraryLook', 'POST library/{platform}/publication' => 'libraryKept',
        'POST library/{platform}/edits/{number}/undo' => 'libraryKept', 'POST library/{platform}/parts' => 'libraryKept', 'GET library/{platform}/parts/{key}' => 'partPage', 'PUT library/{platform}/parts/{key}' => 'libraryKept',
        'POST library/{platform}/parts/{key}/look' => 'libraryLook', 'POST library/{platform}/parts/{key}/retirement' => 'libraryKept',
        'GET parts/{part}/prices' => 'prices', 'POST parts/{part}/prices' => 'prices',
        'GET /' => 'counterPage', 'GET me' => 'person',
        'GET jobs/{job}/brief' => 'briefPage', 'GET jobs/{job}/brief/state' => 'briefState', 'POST jobs/{job}/brief/edits' => 'editAnswer',
        'GET jobs/{job}/bench/{plan?}' => 'benchPage', 'POST jobs/{job}/plans' => 'planMade', 'PUT jobs/{job}/plans/{plan}/choice' => 'plans',
        'POST jobs/{job}/presence' => 'presence', 'GET jobs/{job}/version' => 'jobVersion', 'POST jobs/bundles' => 'task', 'GET customers' => 'customers',
        'POST summaries' => 'task', 'GET tasks/{task}' => 'task', 'DELETE tasks/{task}' => 'task',
        'GET plans/{plan}' => 'planState', 'DELETE plans/{plan}' => 'plans', 'POST plans/{plan}/restore' => 'plans', 'POST plans/{plan}/edits' => 'editAnswer',
        'GET plans/{plan}/cell' => 'cellDetail', 'GET plans/{plan}/stage' => 'stageDetail', 'GET plans/{plan}/curves' => 'curvesDetail', 'GET plans/{plan}/reasons' => 'reasons', 'GET plans/{plan}/fixes' => 'fixes',
        'POST plans/{plan}/stages/{stage}/marks' => 'planState', 'GET plans/{plan}/renewal' => 'renewal', 'GET plans/{plan}/revisions' => 'revisions', 'GET plans/{plan}/revisions/{number}' => 'planState',
        'GET plans/{plan}/variants' => 'variants', 'POST plans/{plan}/variants' => 'variants', 'GET plans/{plan}/comparison' => 'comparison',
        'DELETE plans/{plan}/variants/{variant}' => 'variants', 'POST plans/{plan}/variants/{variant}/restore' => 'variants',
    ];

    private static function check(string $definition, mixed $answer): void
    {
        (new SchemaValidator(base_path('schemas')))->check("answers.json#/properties/{$definition}", json_decode((string) json_encode($answer)));
    }

    /**
     * @param  TestResponse<\Illuminate\Http\Response>  $response
     * @return TestResponse<\Illuminate\Http\Response>
     */
    private static function follows(string $definition, TestResponse $response): TestResponse
    {
        (new SchemaValidator(base_path('schemas')))->check("answers.json#/properties/{$definition}", json_decode((string) $response->getContent()));
        self::assertNotSame('', $response->getContent());

        return $response;
    }

    public function test_every_route_has_its_answer(): void
    {
        $routes = [];
        foreach (Route::getRoutes()->getRoutes() as $route) {
            if (str_starts_with($route->getActionName(), 'App\\')) {
                $routes[] = array_values(array_diff($route->methods(), ['HEAD']))[0].' '.$route->uri();
            }
        }
        self::assertEqualsCanonicalizing(array_keys(self::ANSWERS), $routes);
    }

    public function test_pages_follow_their_schemas(): void
    {
        $job = $this->job()->id;
        foreach (['GET /' => '/', 'GET jobs/{job}/brief' => "/jobs/{$job}/brief", 'GET jobs/{job}/bench/{plan?}' => "/jobs/{$job}/bench", 'GET library' => '/library', 'GET library/{platform}' => "/library/{$this->job()->car->platform_id}",
            'GET library/{platform}/platform' => "/library/{$this->job()->car->platform_id}/platform", 'GET library/{platform}/parts/{key}' => "/library/{$this->job()->car->platform_id}/parts/kolvane-h2"] as $route => $address) {
            $props = $this->actingAs($this->person('advisor'))->get($address)->assertOk()->viewData('page')['props'];
            self::check('signedIn', $props['person']);
            self::check(self::ANSWERS[$route], array_diff_key($props, array_flip(['errors', 'person', 'flash'])));
        }
    }

    public function test_reading_answers_follow_their_schemas(): void
    {
        $this->actingAs($this->person('advisor'));
        $plan = "/plans/{$this->plan()->id}";
        self::follows('person', $this->getJson('/me')->assertOk());
        self::follows('prices', $this->getJson('/parts/'.Part::query()->value('id').'/prices')->assertOk());
        self::follows('planState', $this->getJson($plan)->assertOk());
        foreach (['slot=turbo&stage=2', 'slot=fuel-in-tank&stage=2', 'slot=turbo&stage=0', 'slot=clutch&stage=3&revision=1'] as $cell) {
            self::follows('cellDetail', $this->getJson("{$plan}/cell?{$cell}")->assertOk());
        }
        self::follows('revisions', $this->getJson("{$plan}/revisions")->assertOk());
        self::follows('planState', $this->getJson("{$plan}/revisions/1")->assertOk());
        self::follows('jobVersion', $this->getJson("/jobs/{$this->job()->id}/version")->assertOk());
        self::follows('presence', $this->postJson("/jobs/{$this->job()->id}/presence")->assertOk());
        self::follows('briefState', $this->getJson("/jobs/{$this->job()->id}/brief/state")->assertOk());
        self::follows('customers', $this->getJson('/customers?q=tollef')->assertOk()->assertJsonCount(1));
        foreach (['Caravan along the coast', 'Top end only', 'Skarn Hill commuter'] as $title) {
            $address = "/plans/{$this->plan($title)->id}";
            self::follows('stageDetail', $this->getJson("{$address}/stage?stage=0")->assertOk());
            self::follows('stageDetail', $this->getJson("{$address}/stage?stage=2")->assertOk());
            self::follows('curvesDetail', $this->getJson("{$address}/curves?stage=0")->assertOk());
            self::follows('curvesDetail', $this->getJson("{$address}/curves?stage=2")->assertOk());
            foreach (['target', 'budget', 'limits', 'build', 'fuel', 'law'] as $subject) {
                self::follows('reasons', $this->getJson("{$address}/reasons?subject={$subject}")->assertOk());
                self::follows('fixes', $this->getJson("{$address}/fixes?subject={$subject}")->assertOk());
            }
        }
        (new SchemaValidator(base_path('schemas')))->check('bundle.json', json_decode((string) $this->getJson("{$plan}/bundle")->assertOk()->getContent()));
    }

    public function test_writing_answers_follow_their_schemas(): void
    {
        $this->actingAs($this->person('advisor'));
        $plan = "/plans/{$this->plan()->id}";
        $job = $this->job();
        self::follows('editAnswer', $this->edit([['do' => 'add-stage', 'name' => '']], 1)->assertOk());
        self::follows('editAnswer', $this->step('undo', 2, 2)->assertOk());
        self::follows('editAnswer', $this->step('redo', 3, 3)->assertOk());
        self::follows('editAnswer', $this->step('restore', 1, 4)->assertOk());
        $id = self::follows('variants', $this->postJson("{$plan}/variants", ['name' => 'kept', 'revision' => 5])->assertCreated())->json('0.id');
        self::follows('variants', $this->getJson("{$plan}/variants")->assertOk());
        self::follows('comparison', $this->getJson("{$plan}/comparison?here=0&there={$id}")->assertOk());
        self::follows('editAnswer', $this->step('take', $id, 5)->assertOk());
        self::follows('variants', $this->deleteJson("{$plan}/variants/{$id}")->assertOk());
        self::follows('variants', $this->postJson("{$plan}/variants/{$id}/restore")->assertOk());
        self::follows('planState', $this->postJson("{$plan}/stages/s1/marks", ['request' => bin2hex(random_bytes(8)), 'was' => 'planned', 'life' => 'done', 'on' => '2026-11-20'])->assertOk());
        self::follows('briefState', $this->getJson("/jobs/{$job->id}/brief/state")->assertOk());
        self::follows('editAnswer', $this->answer(['use' => 'track'])->assertOk());
        self::follows('editAnswer', $this->answer(['use' => 'road'], more: ['show' => 'bench'])->assertOk());
        self::follows('editAnswer', $this->answer(['use' => 'track'], more: ['show' => 'nothing'])->assertOk());
        $second = self::follows('planMade', $this->postJson("/jobs/{$job->id}/plans", ['name' => 'Second', 'from' => $this->plan()->id])->assertCreated())->json('id');
        self::follows('plans', $this->putJson("/jobs/{$job->id}/plans/{$second}/choice")->assertOk());
        self::follows('plans', $this->deleteJson($plan)->assertOk());
        self::follows('plans', $this->postJson("{$plan}/restore")->assertOk());
        $task = self::follows('task', $this->postJson('/summaries', ['jobs' => [$job->id]])->assertStatus(202))->json('id');
        self::follows('task', $this->getJson("/tasks/{$task}")->assertOk());
        self::follows('task', $this->deleteJson("/tasks/{$task}")->assertOk());
    }

    public function test_refusals_follow_their_schemas(): void
    {
        $this->actingAs($this->person('advisor'));
        $seen = $this->job()->version;
        $rename = fn (string $name): TestResponse => $this->edit([['do' => 'rename-stage', 'stage' => 's1', 'name' => $name]], 1);
        $rename('one')->assertOk();
        self::follows('conflict', $rename('two')->assertStatus(409));
        self::follows('conflict', $this->step('restore', 1, 1)->assertStatus(409));
        $this->answer(['use' => 'track'])->assertOk();
        self::follows('conflict', $this->answer(['use' => 'road'], seen: $seen)->assertStatus(409));
        self::follows('fault', $this->edit([['do' => 'dance']], 2)->assertStatus(422));
        self::follows('fault', $this->edit([], 2)->assertStatus(422));
    }

    public function test_the_committed_schema_of_commands_is_the_one_the_classes_state(): void
    {
        $committed = json_decode((string) file_get_contents(base_path('schemas/commands.json')), true);
        self::assertSame(json_decode((string) json_encode(Commands::schema()), true), $committed, 'run bin/schemas and commit what it writes');
        self::assertSame(TradeWords::groups(), json_decode((string) file_get_contents(base_path('schemas/trade-words.json')), true), 'run bin/schemas and commit what it writes');
    }

    public function test_the_pages_types_name_every_command_and_answer(): void
    {
        $types = (string) file_get_contents(base_path('resources/js/generated/answers.ts'));
        foreach (Commands::all() as $name => $class) {
            self::assertStringContainsString("do: '{$name}';", $types, 'run npm run types');
        }
        foreach (array_unique(array_filter(self::ANSWERS, fn (string $one): bool => ! str_contains($one, ' '))) as $answer) {
            self::assertMatchesRegularExpression('/export (interface|type) '.ucfirst($answer).'\b/', $types, 'run npm run types');
        }
    }
}
