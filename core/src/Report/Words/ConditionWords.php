<?php

namespace Pebblerun\Core\Report\Words;

use Pebblerun\Core\Catalog\Cars\CarFact;
use Pebblerun\Core\Catalog\Cars\CarMeasure;
use Pebblerun\Core\Catalog\Cars\Tyres;
use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Conditions\All;
use Pebblerun\Core\Catalog\Conditions\Any;
use Pebblerun\Core\Catalog\Conditions\CarHas;
use Pebblerun\Core\Catalog\Conditions\CarIs;
use Pebblerun\Core\Catalog\Conditions\Condition;
use Pebblerun\Core\Catalog\Conditions\EthanolAtLeast;
use Pebblerun\Core\Catalog\Conditions\MapIs;
use Pebblerun\Core\Catalog\Conditions\MapKind;
use Pebblerun\Core\Catalog\Conditions\None;
use Pebblerun\Core\Catalog\Conditions\OctaneAtLeast;
use Pebblerun\Core\Catalog\Conditions\PartFitted;
use Pebblerun\Core\Catalog\Conditions\Situation;
use Pebblerun\Core\Catalog\Conditions\SlotIs;
use Pebblerun\Core\Catalog\Conditions\TagFitted;
use Pebblerun\Core\Catalog\Conditions\YearIn;
use Pebblerun\Core\Report\Terms;

/** What a condition asks for, as the end of a sentence: "a fuel with at least 30 % ethanol". */
final readonly class ConditionWords
{
    public function __construct(private Catalog $catalog) {}

    public function of(Condition $condition, Situation $situation): string
    {
        return match (true) {
            $condition instanceof All => $this->all($condition, $situation),
            $condition instanceof Any => $this->several($condition->of, $situation, 'or'),
            $condition instanceof None => 'not '.$this->several($condition->of, $situation, 'nor'),
            $condition instanceof PartFitted => 'the '.($this->catalog->parts[$condition->key]->name ?? $condition->key),
            $condition instanceof TagFitted => 'a part marked "'.str_replace('-', ' ', $condition->tag).'"',
            $condition instanceof SlotIs => $this->slot($condition),
            $condition instanceof EthanolAtLeast => "a fuel with at least {$condition->percent} % ethanol",
            $condition instanceof OctaneAtLeast => "a fuel of at least {$condition->octane} octane",
            $condition instanceof MapIs => Listing::join(array_map(fn (MapKind $kind): string => Terms::mapKind($kind), $condition->kinds), 'or'),
            $condition instanceof YearIn => self::years($condition),
            $condition instanceof CarIs => $this->car($condition),
            $condition instanceof CarHas => self::measure($condition),
            default => throw new \LogicException('There are no words for '.$condition::class.'.'),
        };
    }

    /** Only what is still missing, or everything when nothing is. */
    private function all(All $condition, Situation $situation): string
    {
        $open = array_values(array_filter($condition->of, fn (Condition $one): bool => ! $one->holds($situation)));

        return $this->several($open ?: $condition->of, $situation, 'and');
    }

    /** @param  list<Condition>  $conditions */
    private function several(array $conditions, Situation $situation, string $last): string
    {
        return Listing::join(array_map(fn (Condition $one): string => $this->of($one, $situation), $conditions), $last);
    }

    private function slot(SlotIs $condition): string
    {
        $name = lcfirst($this->catalog->platform->slots[$condition->slot]->name ?? $condition->slot);

        return $condition->upgraded ? "upgraded {$name}" : "the stock {$name}";
    }

    private static function years(YearIn $condition): string
    {
        return match (true) {
            $condition->to === null => "a car of {$condition->from} or later",
            $condition->from === null => "a car of {$condition->to} or earlier",
            default => "a car of {$condition->from} to {$condition->to}",
        };
    }

    private function car(CarIs $condition): string
    {
        return match ($condition->fact) {
            CarFact::Gearbox => $condition->value === 'automatic' ? 'an automatic gearbox' : "a {$condition->value} gearbox",
            CarFact::Use => "a car used for {$condition->value} only",
            CarFact::Aspiration => "a {$condition->value} engine",
            CarFact::Drive => "{$condition->value} drive",
            CarFact::Variant => 'the variant '.(array_column($this->catalog->platform->variants, 'name', 'key')[$condition->value] ?? $condition->value),
            CarFact::Tyres => Terms::tyres(Tyres::from($condition->value)).' tyres',
        };
    }

    private static function measure(CarHas $condition): string
    {
        return match ($condition->measure) {
            CarMeasure::Lift => "a lift of {$condition->least} mm or more",
            CarMeasure::Mass => "a mass of {$condition->least} kg or more",
        };
    }
}
