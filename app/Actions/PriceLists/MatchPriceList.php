<?php

namespace App\Actions\PriceLists;

use App\Actions\StartTask;
use App\Assembly\PriceListFile;
use App\Exceptions\Refused;
use App\Jobs\LookAtPriceList;
use App\Models\PriceList;
use App\Models\Shop;
use App\Models\Task;
use App\Models\User;
use Pebblerun\Formats\PriceList\Matching;

/** Says which column of a list is what, remembers it for the supplier's next one, and has the list looked at. */
final readonly class MatchPriceList
{
    public function __construct(private StartTask $tasks) {}

    /** @param  array<string, mixed>  $said  columns by field, decimal, taxed, rate */
    public function match(PriceList $list, array $said, string $asOf, User $author): Task
    {
        $this->keep($list, $said, $asOf);

        return $this->tasks->start(LookAtPriceList::class, PriceList::LOOKING, $list->id, $list->shop_id, $author);
    }

    /** @param  array<string, mixed>  $said */
    public function keep(PriceList $list, array $said, string $asOf): void
    {
        in_array($list->state, ['sent', 'looked'], true) || throw Refused::because('This list was taken in already: send it again to look at it anew.');
        [$names] = PriceListFile::beginning(PriceListFile::text($list));
        $matching = Matching::of($said, count($names));
        ! $matching->cost || isset(Shop::query()->findOrFail($list->shop_id)->document['margin_percent']) || throw Refused::because('Cost prices become selling prices through your margin on parts: the owner says it on the page of the shop.');
        $kept = ['columns' => $matching->columns, 'decimal' => $matching->decimal, 'taxed' => $matching->taxed, 'cost' => $matching->cost, 'rate' => $matching->rate];
        $list->update(['matching' => $kept, 'as_of' => $asOf, 'state' => 'sent']);
        $list->supplier->update(['matching' => [...$kept, 'names' => array_map(fn (int $at): string => $names[$at], $matching->columns)]]);
    }
}
