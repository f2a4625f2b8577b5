<?php

namespace Pebblerun\Core\Advice\Library;

use Pebblerun\Core\Catalog\Conditions\MapKind;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Estimate;

/** Forced induction that claims more power than its stated boost brings air for: it counts as far as the air goes. */
final readonly class ClaimedAir
{
    private const BELIEVED = 1.05;

    /**
     * @param  Estimate  $stock  of the stock car with nothing planned
     * @param  list<Part>  $parts
     * @return list<LibraryDoubt>
     */
    public static function of(Estimate $stock, array $parts): array
    {
        $doubts = [];
        foreach ($parts as $part) {
            $claim = $stock->bundle->catalog->platform->engine->boosted || ! in_array('forced-induction', $part->tags, true) ? null : self::claim($stock, $part);
            if ($claim !== null && $claim[0] > self::BELIEVED) {
                $doubts[] = new LibraryDoubt(LibraryDoubtCode::MoreThanItsAir, 'gains', ['times' => $claim[0], 'ratio' => $claim[1] ?? 0.0], $part->key);
            }
        }

        return $doubts;
    }

    /** @return ?array{float, ?float} what of it its own boost explains, and the ratio that would explain all of it; null where no boost is stated */
    private static function claim(Estimate $stock, Part $part): ?array
    {
        $build = $stock->results[0]->state->build;
        foreach ($stock->bundle->catalog->parts->all() as $map) {
            if ($map->map?->kind === MapKind::Dyno) {
                $build = $build->with($map);
                break;
            }
        }

        return $stock->evaluator->claimedAir($build->with($part));
    }
}
