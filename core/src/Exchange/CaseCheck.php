<?php

namespace Pebblerun\Core\Exchange;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Conditions\CarIs;
use Pebblerun\Core\Catalog\Conditions\FittedPart;
use Pebblerun\Core\Catalog\Conditions\Situation;
use Pebblerun\Core\Catalog\Conditions\YearIn;
use Pebblerun\Core\Catalog\Parts\AmbiguousCase;
use Pebblerun\Core\Catalog\Parts\CaseSelector;
use Pebblerun\Core\Catalog\Parts\FuelLadder;
use Pebblerun\Core\Catalog\Parts\Part;

/** Finds two gain cases of one part that some build, fuel and car would let apply equally: pair by pair. */
final readonly class CaseCheck
{
    /** So many situations are tried for a pair; conditions that need more are beyond any reader too. */
    private const MOST = 20_000;

    public function __construct(private Catalog $catalog) {}

    /** @return list<InvalidBundle> one for each pair */
    public function faults(Part $part, string $path): array
    {
        $faults = [];
        foreach (self::pairs($part) as [$a, $b]) {
            $fault = $this->fault($part, $a, $b);
            if ($fault !== null) {
                $faults[] = new InvalidBundle("{$path}.gains[{$b}]", $fault);
            }
        }

        return $faults;
    }

    /** @return list<array{int, int}> as specific as each other, and no steps of one ladder */
    private static function pairs(Part $part): array
    {
        $pairs = [];
        foreach ($part->gains as $b => $second) {
            foreach (array_slice($part->gains, 0, $b, true) as $a => $first) {
                $ladder = FuelLadder::of([$first, $second]) !== null;
                if ($first->terms === $second->terms && ! $ladder) {
                    $pairs[] = [$a, $b];
                }
            }
        }

        return $pairs;
    }

    private function fault(Part $part, int $a, int $b): ?string
    {
        $deciding = array_keys(array_filter($part->gains, fn (object $case, int $i): bool => in_array($i, [$a, $b], true) || $case->terms > $part->gains[$a]->terms, ARRAY_FILTER_USE_BOTH));
        $tried = 0;
        foreach ($this->situations($part, $deciding) as $situation) {
            if (++$tried > self::MOST) {
                return "whether it and gains[{$a}] can apply at the same time takes more than ".self::MOST.' situations to tell: use fewer terms.';
            }
            try {
                CaseSelector::best($part, array_values(array_intersect(CaseSelector::holding($part, $situation), $deciding)), $situation);
            } catch (AmbiguousCase $ambiguous) {
                if (array_diff([$a, $b], $ambiguous->cases) === []) {
                    return "it and gains[{$a}] apply equally {$this->told($part, $situation)}: make one of them more specific, so that one alone has the most terms.";
                }
            }
        }

        return null;
    }

    /**
     * @param  list<int>  $cases
     * @return iterable<Situation>
     */
    private function situations(Part $part, array $cases): iterable
    {
        $terms = array_merge(...array_map(fn (int $i): array => $part->gains[$i]->when?->leaves() ?? [], $cases));
        $ladder = array_filter($cases, fn (int $i): bool => $part->gains[$i]->on->ethanol !== null) !== [];
        $situations = new Situations($this->catalog, array_values(array_unique($terms, SORT_REGULAR)), $ladder);
        yield from $situations->around($part);
        foreach ($this->catalog->parts->all() as $kit) {
            if (in_array($part->key, $kit->contains, true)) {
                yield from $situations->around($kit);
            }
        }
    }

    private function told(Part $part, Situation $situation): string
    {
        $others = array_unique(array_map(fn (Part $other): string => "\"{$other->name}\"", array_filter($situation->fitted, fn (FittedPart $other): bool => $other instanceof Part && $other !== $part)));

        return "on {$situation->fuel->name}".($others === [] ? '' : ' with '.implode(' and ', $others)).self::car($part, $situation);
    }

    /** Said only where a condition asks for it. */
    private static function car(Part $part, Situation $situation): string
    {
        foreach ($part->gains as $case) {
            foreach ($case->when?->leaves() ?? [] as $term) {
                if ($term instanceof CarIs || $term instanceof YearIn) {
                    return ", for a {$situation->car->year} car, {$situation->car->gearbox->value}, {$situation->car->use->value} use";
                }
            }
        }

        return '';
    }
}
