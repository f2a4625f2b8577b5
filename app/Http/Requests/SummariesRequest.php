<?php

namespace App\Http\Requests;

/** Jobs whose summaries the counter lacks. */
final class SummariesRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['jobs' => ['required', 'list', 'min:1', 'max:30'], 'jobs.*' => ['integer', 'min:1', 'max:'.PHP_INT_MAX]];
    }

    /** @return list<int> in one order, so that the same are asked for once */
    public function jobs(): array
    {
        /** @var list<int> $jobs */
        $jobs = array_values(array_unique(array_map(intval(...), (array) $this->input('jobs'))));
        sort($jobs);

        return $jobs;
    }
}
