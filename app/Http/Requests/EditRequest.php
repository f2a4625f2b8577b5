<?php

namespace App\Http\Requests;

use App\Actions\Edit;
use App\Queries\EditAnswer;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Validation\Rule;

/**
 * A change of a document: its own name, the queue that it stands in, the version of the job that was shown when it was made, and
 * what the page wants to be shown in answer.
 */
abstract class EditRequest extends PersonRequest
{
    /** The highest version or number that there can be. */
    public const MOST = 9_007_199_254_740_991;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'request' => ['required', 'string', 'regex:/^[0-9a-f-]{16,40}$/D'],
            'queue' => ['required', 'string', 'regex:/^[0-9a-f-]{16,40}$/D'],
            'seen' => ['required', 'integer', 'min:0', 'max:'.self::MOST],
            'person' => ['sometimes', 'integer'],
            'show' => ['sometimes', Rule::in(['bench', 'brief', 'nothing'])],
            'plan' => ['sometimes', 'integer', 'min:1', 'max:'.PHP_INT_MAX],
        ];
    }

    /** Somebody else may have signed in on the same machine since: their name must not stand under it. */
    protected function passedValidation(): void
    {
        if ($this->has('person') && $this->integer('person') !== $this->person()->id) {
            throw new AuthenticationException('Another person is signed in on this machine now.');
        }
    }

    public function edit(): Edit
    {
        return new Edit($this->person(), $this->string('request')->value(), $this->string('queue')->value(), $this->integer('seen'), hash('xxh128', $this->path().' '.json_encode($this->asked())));
    }

    /**
     * What the page wants to be shown.
     *
     * @param  ?int  $edited  the plan that was changed: shown where the page names none
     */
    public function answer(?int $edited): EditAnswer
    {
        return new EditAnswer($this->string('request')->value(), $this->string('show')->value() ?: $this->usually(), $this->integer('plan') ?: $edited, $this->person());
    }

    /** What is asked, apart from who asks and when. */
    abstract protected function asked(): mixed;

    /** What is shown in answer when the page says nothing. */
    abstract protected function usually(): string;
}
