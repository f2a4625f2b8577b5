<?php

namespace App\Http\Requests;

use App\Actions\Step;
use App\Http\SentBody;
use App\Security\Ability;
use Illuminate\Validation\Rule;
use Pebblerun\Core\Job\Commands\AcceptLimit;
use Pebblerun\Core\Job\Commands\Commands;
use Pebblerun\Formats\DocumentReader;
use Pebblerun\Formats\InvalidDocument;

/** Small typed changes of a plan, each held against the schema of its own, or one step over the whole plan. */
final class PlanEditRequest extends EditRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'commands' => ['required_without:step', 'prohibits:step', 'list', 'min:1', 'max:40'],
            'step' => ['sometimes', 'array:do,of'],
            'step.do' => ['required_with:step', Rule::in(['undo', 'redo', 'restore', 'take', 'renew'])],
            'step.of' => ['required_with:step', fn (string $field, mixed $of, callable $fail) => $this->isNamed($of) || $fail('step.of must be a number, or the name of a request.')],
        ];
    }

    /** Some commands ask more of a role than editing a plan. */
    public function authorize(): bool
    {
        $asked = array_filter(array_map(Ability::ofCommand(...), is_array($this->sent()) ? $this->sent() : []));

        return array_filter($asked, fn (Ability $ability): bool => ! $this->person()->may($ability)) === [];
    }

    private function isNamed(mixed $of): bool
    {
        return is_int($of) ? $of > 0 && $of <= 2_147_483_647 : is_string($of) && preg_match('/^[0-9a-f-]{16,40}$/D', $of) === 1;
    }

    public function step(): ?Step
    {
        return $this->has('step') ? new Step($this->string('step.do')->value(), $this->input('step.of')) : null;
    }

    /**
     * @return non-empty-list<array<string, mixed>>
     *
     * @throws InvalidDocument with the place of each fault.
     */
    public function commands(): array
    {
        return array_map(fn (array $command): array => $this->signed(self::named($command)), DocumentReader::standard()->commands($this->sent()));
    }

    /** The one body that was read, in which {} and [] differ. */
    private function sent(): mixed
    {
        return SentBody::of($this)->commands ?? null;
    }

    /**
     * Who accepts a limit is who is signed in, today.
     *
     * @param  array<string, mixed>  $command
     * @return array<string, mixed>
     */
    private function signed(array $command): array
    {
        $person = $this->user();

        return $command['do'] === AcceptLimit::name() && $person !== null ? [...$command, 'by' => $person->name, 'on' => $person->shop->today()] : $command;
    }

    /**
     * A new stage whose sender gave it no key gets one that no stage of any time has.
     *
     * @param  array<string, mixed>  $command
     * @return array<string, mixed>
     */
    private static function named(array $command): array
    {
        return isset(Commands::all()[$command['do']]::fields()['key?']) ? $command + ['key' => 's-'.bin2hex(random_bytes(6))] : $command;
    }

    protected function asked(): mixed
    {
        return [$this->input('commands'), $this->input('step')];
    }

    protected function usually(): string
    {
        return 'bench';
    }
}
