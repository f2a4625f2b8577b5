<?php

namespace App\Exceptions;

use App\Models\BriefRevision;
use App\Models\CustomerJob;
use RuntimeException;

/** Somebody saved the brief in between. */
final class OutdatedBrief extends RuntimeException
{
    public function __construct(public readonly CustomerJob $job)
    {
        parent::__construct('This brief was changed meanwhile.');
    }

    public function author(): string
    {
        return BriefRevision::query()->with('author')->where('customer_job_id', $this->job->id)->where('number', $this->job->brief_revision)->firstOrFail()->author->name;
    }
}
