<?php

namespace Pebblerun\Core\Evaluation\Money;

use Pebblerun\Core\Catalog\Shop\Rates;
use Pebblerun\Core\Evaluation\Timeline\Purchase;
use Pebblerun\Core\Job\Plan\PriceBasis;
use Pebblerun\Core\Units\MoneyRange;

/** Prices what each stage buys. Rounds once, at the line. */
final readonly class Pricing
{
    public function __construct(private Rates $rates, private PriceBasis $basis) {}

    /** @param  list<Purchase>  $bought  in one stage: access groups are shared among them */
    public function of(array $bought): StageCost
    {
        $lines = [];
        $net = $tax = $gross = MoneyRange::exact(0);
        $hours = $this->hours($bought);
        foreach ($bought as $i => $purchase) {
            $lines[] = $line = $this->line($purchase, $hours[$i]);
            $net = $net->plus($line->net);
            $tax = $tax->plus($line->tax);
            $gross = $gross->plus($line->gross);
        }
        $reserve = $this->reserve($gross);

        $own = array_sum(array_map(fn (Line $line): int => $line->ownWork ? $line->hours : 0, $lines));

        $dyno = array_sum(array_map(fn (Line $line): int => $line->dynoHours, $lines));

        return new StageCost($lines, $net, $tax, $reserve, $gross->plus($reserve), array_sum($hours) - $own + $dyno, $own);
    }

    private function line(Purchase $purchase, int $hours): Line
    {
        [$part, $change] = [$purchase->part, $purchase->change];
        $revision = $purchase->again && $part->map !== null;
        $basis = $change->basis ?? $this->basis;
        $piece = match (true) {
            $change->agreed !== null => MoneyRange::exact($change->agreed),
            $basis === PriceBasis::Owned => MoneyRange::exact(0),
            $basis === PriceBasis::Used => $part->price->used ?? $part->price->new,
            default => $revision ? $part->price->revision ?? $part->price->new : $part->price->new,
        };
        $goods = $piece->times($change->quantity)->plus($part->price->consumables);
        $labour = $change->ownWork ? 0 : MoneyRange::round($hours, $this->rates->labour, 100);
        $dynoHours = (int) round(100 * ($revision ? $part->map->revisionHours ?? $part->map->dynoHours : $part->map->dynoHours ?? 0.0));
        $dyno = MoneyRange::round($dynoHours, $this->rates->dyno, 100);
        $net = $goods->plus(MoneyRange::exact($labour + $dyno));
        $tax = $net->share($this->rates->tax, 10_000);
        $gross = $net->plus($tax);

        return new Line($part, $basis, $change->agreed !== null, $change->quantity, $goods, $hours, $labour, $dyno, $net, $tax, $gross, $this->reserve($gross), $change->bought, $revision && $part->price->revision !== null, $change->ownWork, $dynoHours);
    }

    private function reserve(MoneyRange $gross): MoneyRange
    {
        return $gross->share($this->rates->reserve, 10_000);
    }

    /**
     * Hundredths of an hour for each line: of one access group, the longest access counts once for the shop, and once for the customer.
     *
     * @param  list<Purchase>  $bought
     * @return list<int>
     */
    private function hours(array $bought): array
    {
        $longest = [];
        foreach ($bought as $i => $purchase) {
            $group = self::group($purchase);
            $access = $purchase->part->work->accessHours;
            if ($group !== null && $access > ($longest[$group][1] ?? -1)) {
                $longest[$group] = [$i, $access];
            }
        }
        $hours = [];
        foreach ($bought as $i => $purchase) {
            $work = $purchase->part->work;
            $group = self::group($purchase);
            $shared = $group !== null && $longest[$group][0] !== $i ? $work->accessHours : 0;
            $hours[] = max(0, $work->hours - $shared);
        }

        return $hours;
    }

    /** What is taken apart for it, and by whom. */
    private static function group(Purchase $purchase): ?string
    {
        $group = $purchase->part->work->accessGroup;

        return $group === null ? null : $group.($purchase->change->ownWork ? ' by the customer' : '');
    }
}
