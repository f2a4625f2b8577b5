<?php

namespace Tests\Feature;

use App\Models\PlanRevision;
use Illuminate\Database\QueryException;
use Illuminate\Log\Events\MessageLogged;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Route;
use PDOException;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** What cannot be taken is refused with its place and reason, and nothing of it is kept. */
final class BadInputTest extends TestCase
{
    public static function addresses(): iterable
    {
        foreach (['/plans/abc', '/plans/99999999999999999999', '/plans/-1', '/jobs/abc/bench', '/jobs/99999999999999999999/brief', '/plans/1.5/fixes'] as $address) {
            yield $address => [$address];
        }
    }

    #[DataProvider('addresses')]
    public function test_an_address_that_names_nothing_is_not_found(string $address): void
    {
        $this->actingAs($this->person('advisor'))->getJson($address)->assertStatus(404);
    }

    public function test_a_number_that_no_row_can_have_is_not_found(): void
    {
        $plan = $this->plan()->id;
        $this->actingAs($this->person('advisor'))->getJson("/plans/{$plan}/revisions/99999999999999999999")->assertStatus(404);
        $this->getJson("/plans/{$plan}/comparison?here=0&there=999999999")->assertStatus(404);
        $this->getJson("/plans/{$plan}/revisions?before=99999999999")->assertStatus(422)->assertJsonValidationErrors('before');
        $this->getJson('/?page=99999999999')->assertStatus(422);
        $this->getJson("/plans/{$plan}/cell?slot=turbo&stage=99999999999")->assertStatus(422);
    }

    public static function edits(): iterable
    {
        $command = ['do' => 'rename-stage', 'stage' => 's2', 'name' => 'cool'];
        yield 'a version beyond any' => [['seen' => 2 ** 60, 'commands' => [$command]], 'seen'];
        yield 'an empty text for a command' => [['commands' => ['']], 'commands[0].do'];
        yield 'nothing for a command' => [['commands' => [null]], 'commands[0].do'];
        yield 'a list for a command' => [['commands' => [[]]], 'commands[0].do'];
        yield 'a NUL in a name' => [['commands' => [[...$command, 'name' => "co\0ol"]]], 'commands[0].name'];
        yield 'another control sign in a name' => [['commands' => [[...$command, 'name' => "co\x07ol"]]], 'commands[0].name'];
        yield 'a list without end' => [['commands' => [['do' => 'split-stage', 'stage' => 's2', 'parts' => array_fill(0, 3_000, 'brimstall-dp')]]], 'commands[0].parts'];
    }

    #[DataProvider('edits')]
    public function test_an_edit_that_cannot_be_is_refused_with_its_place(array $sent, string $place): void
    {
        $plan = $this->plan();
        $answer = $this->edit([], 1, more: $sent)->assertStatus(422);
        self::assertStringContainsString($place, (string) json_encode($answer->json(), JSON_UNESCAPED_SLASHES));
        self::assertSame($plan->revision, $plan->refresh()->revision);
    }

    public static function briefs(): iterable
    {
        $curve = fn (float $rpm): array => ['points' => [['rpm' => 1500, 'torque' => 150], ['rpm' => 3000, 'torque' => 250], ['rpm' => $rpm, 'torque' => 200]]];
        yield 'a NUL in the customer' => ['customer.name', "Smith\0 & Sons", 'answers[0].value'];
        yield 'a NUL in the title' => ['title', "Skarn\0Hill", 'answers[0].value'];
        yield 'a NUL in an answer' => ['purpose', "commutes\0", 'answers[0].value'];
        yield 'a customer without a name' => ['customer.name', ' ', 'name is empty'];
        yield 'a job whose name is too long' => ['title', str_repeat('x', 121), 'too long'];
        yield 'a customer who is a number below one' => ['customer', 0, 'number of a customer'];
        yield 'a customer of nowhere' => ['customer', 999999, 'not there any more'];
        yield 'a car of nowhere' => ['car', 999999, 'not there any more'];
        yield 'a curve point out of this world' => ['received.baseline', $curve(2 ** 31), 'rpm'];
        yield 'an empty target' => ['target', [], 'target'];
        yield 'a target of text' => ['target', ['power' => ''], 'target'];
        yield 'a budget of text' => ['budget.total', 'much', 'budget.total'];
        yield 'a budget below nothing' => ['budget.total', -1, 'budget.total'];
        yield 'a place that there is not' => ['colour', 'red', 'place'];
        yield 'a place inside one that has none' => ['target.power', 300, 'place'];
        yield 'an answer that is none of them' => ['use', 'moon', 'use'];
        yield 'a year that is none' => ['car.year', null, 'year'];
    }

    #[DataProvider('briefs')]
    public function test_an_answer_that_cannot_be_is_refused_and_nothing_is_kept(string $place, mixed $value, string $words = ''): void
    {
        $job = $this->job();
        $before = [$job->brief, $job->brief_revision, $job->title, $job->car_id];
        $answer = $this->answer([$place => $value])->assertStatus(422);
        self::assertStringContainsString($words ?: 'answers.0.value', (string) json_encode($answer->json(), JSON_UNESCAPED_SLASHES));
        $job = $this->job();
        self::assertSame($before, [$job->brief, $job->brief_revision, $job->title, $job->car_id]);
    }

    public function test_an_answer_must_be_sent_whole(): void
    {
        $this->answer(['use' => 'track'], more: ['seen' => 2 ** 60])->assertStatus(422)->assertJsonValidationErrors('seen');
        $this->answer([])->assertStatus(422)->assertJsonValidationErrors('answers');
        $this->answer([], more: ['answers' => [['place' => 'use']]])->assertStatus(422)->assertJsonValidationErrors('answers.0.value');
        $this->answer(['use' => 'track'], more: ['request' => 'x'])->assertStatus(422)->assertJsonValidationErrors('request');
    }

    public function test_a_variant_whose_name_has_a_nul_is_refused_and_takes_no_others_place(): void
    {
        $plan = $this->plan();
        $this->actingAs($this->person('owner'))->postJson("/plans/{$plan->id}/variants", ['name' => 'quiet', 'revision' => 1])->assertStatus(201);
        $this->actingAs($this->person('advisor'))->postJson("/plans/{$plan->id}/variants", ['name' => "quiet\0er", 'revision' => 1])->assertStatus(422)->assertJsonValidationErrors('name');
        self::assertSame(['quiet'], $plan->variants()->pluck('name')->all());
    }

    public function test_a_request_name_used_again_for_something_else_is_refused_with_the_reason(): void
    {
        $plan = $this->plan();
        $name = str_repeat('ab', 16);
        $rename = fn (int $revision, string $to): \Illuminate\Testing\TestResponse => $this->edit([['do' => 'rename-stage', 'stage' => 's2', 'name' => $to]], $revision, more: ['request' => $name]);
        $rename($plan->revision, 'cool')->assertOk();
        $rename($plan->revision, 'cool')->assertOk();
        self::assertSame(1, PlanRevision::query()->where('plan_id', $plan->id)->where('request', $name)->count());
        foreach ([$plan->revision, $plan->revision + 1] as $revision) {
            $answer = $rename($revision, 'warm')->assertStatus(422);
            self::assertStringContainsString('was used for another change', $answer->json('message'));
        }
        self::assertSame('cool', $plan->refresh()->document['stages'][1]['name']);
    }

    public static function failures(): iterable
    {
        yield 'nobody listens' => ['08006', 'connection refused'];
        yield 'the server shuts down' => ['57P01', 'terminating connection due to administrator command'];
        yield 'too many connections' => ['53300', 'sorry, too many clients already'];
        yield 'the disk is full' => ['53100', 'could not extend file: No space left on device'];
        yield 'only readable' => ['25006', 'cannot execute INSERT in a read-only transaction'];
    }

    #[DataProvider('failures')]
    public function test_a_database_that_is_not_there_is_a_pause_and_no_refusal(string $state, string $words): void
    {
        Route::get('/fails', function () use ($state, $words): never {
            $cause = new PDOException("SQLSTATE[{$state}]: {$words}");
            $cause->errorInfo = [$state, 7, $words];
            throw new QueryException('pgsql', 'select 1', [], $cause);
        });
        $answer = $this->getJson('/fails')->assertStatus(503);
        self::assertSame('5', $answer->headers->get('Retry-After'));
        self::assertStringContainsString('Nothing was changed', $answer->json('message'));
        self::assertStringNotContainsString('SQLSTATE', (string) $answer->getContent());
    }

    public function test_the_log_holds_no_value_of_a_statement_and_one_line_of_an_outage(): void
    {
        $lines = [];
        Log::listen(function (MessageLogged $line) use (&$lines): void {
            $lines[] = $line->message.' '.json_encode($line->context);
        });
        $fault = function (string $state): QueryException {
            $cause = new PDOException("SQLSTATE[{$state}]: told");
            $cause->errorInfo = [$state, 7, 'told'];

            return new QueryException('pgsql', 'select * from customers where name = ?', ['Tollef Brandvik'], $cause);
        };
        Route::get('/fails', fn () => throw $fault('42601'));
        Route::get('/away', fn () => throw $fault('08006'));
        $this->getJson('/fails')->assertStatus(500);
        $this->getJson('/away')->assertStatus(503);
        self::assertCount(2, $lines);
        self::assertStringContainsString('select * from customers where name = ?', $lines[0]);
        self::assertStringNotContainsString('Tollef', implode($lines));
        self::assertLessThan(200, strlen($lines[1]));
    }

    public function test_another_fault_of_a_query_is_no_pause(): void
    {
        Route::get('/fails', function (): never {
            $cause = new PDOException('SQLSTATE[42601]: syntax error');
            $cause->errorInfo = ['42601', 7, 'syntax error'];
            throw new QueryException('pgsql', 'selec 1', [], $cause);
        });
        $this->getJson('/fails')->assertStatus(500);
    }
}
