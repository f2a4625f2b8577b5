<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\KnownCar;
use Pebblerun\Core\Evaluation\Model\Doubt;
use Pebblerun\Core\Job\Brief\Target;

/**
 * What a plan's range rests on, and what would narrow it most: a baseline pull, or one part read on the own dyno. The range is taken
 * for what independent doubts make of it; what one of them leaves is what the others have.
 */
final readonly class Narrowing
{
    /** P10 to P90 of a bell curve, in its standard deviations. */
    private const WIDTH = 2.563;

    /** Less than this share of the range is not worth the work. */
    private const WORTH = 0.05;

    /** The stage that the last one is estimated from. */
    private int $known;

    public function __construct(private Estimate $estimate)
    {
        $this->known = $estimate->knownAt();
    }

    /** @return array<string, float> share of the likely gain that rests on each kind of evidence; the largest first */
    public function restsOn(): array
    {
        $shares = [];
        foreach (Doubt::changed($this->estimate->last()->model, $this->estimate->results[$this->known]->model) as [$evidence, $weight]) {
            $shares[$evidence->value] = ($shares[$evidence->value] ?? 0.0) + $weight;
        }
        $sum = array_sum($shares);
        arsort($shares);

        return $sum <= 0.0 ? [] : array_map(fn (float $weight): float => $weight / $sum, array_filter($shares));
    }

    /** @return ?array{part: ?Part, from: float, to: float, target: ?Target} the range now and then, in W or, where torque is asked, N·m; a baseline pull where the part is null; null where nothing is worth it */
    public function most(): ?array
    {
        $asked = $this->estimate->reached();
        $now = $asked->p90 - $asked->p10;
        $best = null;
        foreach ($this->less() as [$part, $variance]) {
            // The roller itself is never surer than this.
            $least = KnownCar::MEASURED * $asked->p50;
            $then = self::WIDTH * sqrt(max($least ** 2, ($now / self::WIDTH) ** 2 - $variance * $asked->p50 ** 2));
            if ($then < (1.0 - self::WORTH) * $now && ($best === null || $then < $best['to'])) {
                $best = ['part' => $part, 'from' => $now, 'to' => $then, 'target' => $this->estimate->bundle->brief->target];
            }
        }

        return $best;
    }

    /** @return list<array{?Part, float}> relative variance that would be gone */
    private function less(): array
    {
        $last = $this->estimate->last();
        $less = [];
        $brief = $this->estimate->bundle->brief;
        if (! $this->estimate->planned->at($this->known)->known->isMeasured) {
            $less[] = [null, KnownCar::unmeasuredDoubt($brief->car, $this->estimate->bundle->catalog->platform) ** 2 - KnownCar::MEASURED ** 2];
        }
        $gained = log(max(1.0, $this->estimate->reached()->p50 / max(1.0, $this->estimate->asked($this->known)->p50)));
        $changed = Doubt::changed($last->model, $this->estimate->results[$this->known]->model);
        $kappa = Doubt::mean($changed);
        foreach ($changed as $i => [$evidence, $weight, $part]) {
            if ($part !== null && $evidence !== Evidence::ShopDyno) {
                $read = array_values(array_replace($changed, [$i => [Evidence::ShopDyno, $weight, $part]]));
                $less[] = [$part, ($kappa ** 2 - Doubt::mean($read) ** 2) * $gained ** 2];
            }
        }

        return $less;
    }
}
