<?php

namespace Tests\Feature;

use Illuminate\Support\Facades\Route;
use Illuminate\Testing\TestResponse;
use Pebblerun\Core\Job\Commands\Commands;
use Pebblerun\Formats\SchemaValidator;
use Tests\TestCase;

/** Everything the server answers to the page follows its schema; the page's types are written from the same. */
final class AnswersTest extends TestCase
{
    /** What each route answers: a definition of schemas/answers.json, or why there is none. */
    private const ANSWERS = [
        'GET sign-in' => 'a page without data', 'POST sign-in' => 'a redirect', 'POST sign-out' => 'a redirect', 'PUT me' => 'a redirect', 'POST jobs' => 'a redirect',
        'GET plans/{plan}/bundle' => 'the open format',
        'GET /' => 'counterPage', 'GET me' => 'person',
        'GET jobs/{job}/brief' => 'briefPage', 'PUT jobs/{job}/brief' => 'briefState', 'POST jobs/{job}/target' => 'planState', 'GET jobs/{job}/bench' => 'benchPage',
        'GET plans/{plan}' => 'planState', 'GET plans/{plan}/candidates' => 'candidates', 'GET plans/{plan}/fixes' => 'fixes',
        'GET plans/{plan}/revisions' => 'revisions', 'GET plans/{plan}/revisions/{number}' => 'planState', 'POST plans/{plan}/revisions/{number}/restore' => 'planState',
        'GET plans/{plan}/variants' => 'variants', 'POST plans/{plan}/variants' => 'variants', 'GET plans/{plan}/variants/{variant}' => 'comparison',
        'POST plans/{plan}/variants/{variant}/take' => 'planState', 'DELETE plans/{plan}/variants/{variant}' => 'variants',
        'POST plans/{plan}/variants/{variant}/restore' => 'variants',
        'POST plans/{plan}/presence' => 'presence', 'POST plans/{plan}/commands' => 'planState', 'POST plans/{plan}/undo' => 'planState', 'POST plans/{plan}/redo' => 'planState',
    ];

    private static function check(string $definition, mixed $answer): void
    {
        (new SchemaValidator(base_path('schemas')))->check("answers.json#/\$defs/{$definition}", json_decode((string) json_encode($answer)));
    }

    /**
     * @param  TestResponse<\Illuminate\Http\Response>  $response
     * @return TestResponse<\Illuminate\Http\Response>
     */
    private static function follows(string $definition, TestResponse $response): TestResponse
    {
        (new SchemaValidator(base_path('schemas')))->check("answers.json#/\$defs/{$definition}", json_decode((string) $response->getContent()));
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
        foreach (['GET /' => '/', 'GET jobs/{job}/brief' => "/jobs/{$job}/brief", 'GET jobs/{job}/bench' => "/jobs/{$job}/bench"] as $route => $address) {
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
        self::follows('planState', $this->getJson($plan)->assertOk());
        self::follows('candidates', $this->getJson("{$plan}/candidates?slot=turbo&stage=2")->assertOk());
        self::follows('candidates', $this->getJson("{$plan}/candidates?slot=fuel-in-tank&stage=2")->assertOk());
        self::follows('revisions', $this->getJson("{$plan}/revisions")->assertOk());
        self::follows('planState', $this->getJson("{$plan}/revisions/1")->assertOk());
        self::follows('presence', $this->postJson("{$plan}/presence", ['revision' => 1])->assertOk());
        foreach (['target', 'budget', 'limits', 'build', 'fuel', 'law'] as $subject) {
            foreach (['Caravan along the coast', 'Top end only', 'Skarn Hill commuter'] as $title) {
                self::follows('fixes', $this->getJson("/plans/{$this->plan($title)->id}/fixes?subject={$subject}")->assertOk());
            }
        }
        (new SchemaValidator(base_path('schemas')))->check('bundle.json', json_decode((string) $this->getJson("{$plan}/bundle")->assertOk()->getContent()));
    }

    public function test_writing_answers_follow_their_schemas(): void
    {
        $this->actingAs($this->person('advisor'));
        $plan = "/plans/{$this->plan()->id}";
        $job = $this->job();
        self::follows('planState', $this->postJson("{$plan}/commands", ['revision' => 1, 'commands' => [['do' => 'add-stage', 'name' => '']]])->assertOk());
        self::follows('planState', $this->postJson("{$plan}/undo", ['revision' => 2])->assertOk());
        self::follows('planState', $this->postJson("{$plan}/redo", ['revision' => 3])->assertOk());
        self::follows('planState', $this->postJson("{$plan}/revisions/1/restore", ['revision' => 4])->assertOk());
        $id = self::follows('variants', $this->postJson("{$plan}/variants", ['name' => 'kept', 'revision' => 5])->assertCreated())->json('0.id');
        self::follows('variants', $this->getJson("{$plan}/variants")->assertOk());
        self::follows('comparison', $this->getJson("{$plan}/variants/{$id}")->assertOk());
        self::follows('planState', $this->postJson("{$plan}/variants/{$id}/take", ['revision' => 5])->assertOk());
        self::follows('variants', $this->deleteJson("{$plan}/variants/{$id}")->assertOk());
        self::follows('variants', $this->postJson("{$plan}/variants/{$id}/restore")->assertOk());
        self::follows('briefState', $this->putJson("/jobs/{$job->id}/brief", ['revision' => 1, 'title' => $job->title, 'customer' => $job->customer, 'brief' => $job->brief])->assertOk());
        self::follows('planState', $this->postJson("/jobs/{$job->id}/target", ['power' => 300])->assertOk());
    }

    public function test_refusals_follow_their_schemas(): void
    {
        $this->actingAs($this->person('advisor'));
        $plan = "/plans/{$this->plan()->id}";
        $job = $this->job();
        $commands = fn (int $revision, string $name): TestResponse => $this->postJson("{$plan}/commands", ['revision' => $revision, 'commands' => [['do' => 'rename-stage', 'stage' => 's1', 'name' => $name]]]);
        $commands(1, 'one')->assertOk();
        self::follows('planConflict', $commands(1, 'two')->assertStatus(409));
        $brief = fn (int $revision): TestResponse => $this->putJson("/jobs/{$job->id}/brief", ['revision' => $revision, 'title' => 'T', 'customer' => 'C', 'brief' => $job->brief]);
        $brief(1)->assertOk();
        self::follows('briefConflict', $brief(1)->assertStatus(409));
        self::follows('fault', $this->postJson("{$plan}/commands", ['revision' => 2, 'commands' => [['do' => 'dance']]])->assertStatus(422));
        self::follows('fault', $this->postJson("{$plan}/commands", ['commands' => []])->assertStatus(422));
    }

    public function test_the_committed_schema_of_commands_is_the_one_the_classes_state(): void
    {
        $committed = json_decode((string) file_get_contents(base_path('schemas/commands.json')), true);
        self::assertSame(json_decode((string) json_encode(Commands::schema()), true), $committed, 'run bin/schemas and commit what it writes');
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
