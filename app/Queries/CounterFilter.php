<?php

namespace App\Queries;

/** Which jobs the counter shows, and in which order. */
final readonly class CounterFilter
{
    /** Jobs whose prices are old, beside what is next for a job. */
    public const PRICE = 'price';

    public const SORTS = ['latest', 'customer', 'title'];

    /**
     * @param  string  $words  lower case; all of them must be found
     * @param  ?string  $due  a NextStep or PRICE; null for all
     * @param  string  $sort  one of SORTS
     * @param  int  $page  counted from 1
     */
    public function __construct(public string $words = '', public ?string $due = null, public string $sort = 'latest', public int $page = 1) {}
}
