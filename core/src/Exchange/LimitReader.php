<?php

namespace Pebblerun\Core\Exchange;

use Pebblerun\Core\Catalog\Conditions\MapKind;
use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Limits\Ceiling;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Units\UnitSystem;

/** Reads limits and ceilings. */
final readonly class LimitReader
{
    public function __construct(private UnitSystem $units) {}

    /** @param  array<string, mixed>  $slots  known slots by key */
    public function limit(DocumentNode $node, array $slots): Limit
    {
        $slot = $node->get('slot');
        isset($slots[$slot->string()]) || $slot->refuse("there is no slot \"{$slot->string()}\": use one of ".implode(', ', array_keys($slots)).'.');
        $quantity = $node->get('quantity')->enum(Quantity::class);
        $moved = [];
        foreach (MapKind::cases() as $kind) {
            if ($node->maybe('moved')?->has($kind->value)) {
                $moved[$kind->value] = $node->get('moved')->get($kind->value)->number();
            }
        }

        return new Limit(
            $node->get('key')->string(), $node->get('name')->string(), $slot->string(), $quantity,
            $this->limitPoints($node, $quantity), $moved,
            $node->get('consequence')->string(),
            $node->get('evidence')->get('kind')->enum(Evidence::class),
            $node->get('evidence')->maybe('note')?->string() ?? '',
            ConditionReader::maybe($node, 'when'),
            $node->has('hot') ? $this->pair($node->get('hot'), $quantity) : null,
            $node->get('evidence')->maybe('set')?->keyword('rule', 'hand') === 'hand',
        );
    }

    public function ceiling(DocumentNode $node): Ceiling
    {
        $torque = $node->get('quantity')->keyword('power', 'torque') === 'torque';
        $factor = $torque ? $this->units->torque->newtonMetres() : $this->units->power->watts();
        $points = $node->has('over_rpm')
            ? array_map(fn (DocumentNode $point): array => [$point->get('rpm')->number(), $point->get('value')->range()->scaled($factor)], $node->each('over_rpm'))
            : [[0.0, $node->get('value')->range()->scaled($factor)]];
        $node->rising('over_rpm');

        return new Ceiling(
            $node->get('key')->string(), $node->get('name')->string(),
            $node->get('kind')->keyword('soft', 'hard') === 'soft', $torque,
            $node->get('at')->keyword('wheels', 'crank') === 'crank',
            $points, ConditionReader::maybe($node, 'when'),
        );
    }

    /** @return non-empty-list<array{float, float, float}> */
    private function limitPoints(DocumentNode $node, Quantity $quantity): array
    {
        $places = $node->has('over_rpm') ? $node->each('over_rpm') : [$node];
        $points = [];
        foreach ($places as $place) {
            $points[] = [$place->maybe('rpm')?->number() ?? 0.0, ...$this->pair($place, $quantity)];
        }
        $node->rising('over_rpm');

        return $points === [] ? $node->refuse('over_rpm must hold at least one point.') : $points;
    }

    /** @return array{float, float} safe and edge */
    private function pair(DocumentNode $node, Quantity $quantity): array
    {
        $units = new LimitUnits($this->units);
        $safe = $units->toSi($quantity, $node->get('safe')->number());
        $edge = $units->toSi($quantity, $node->get('edge')->number());
        $lowerIsWorse = $quantity->isInverse();
        $safe > 0.0 && $edge > 0.0 && ($lowerIsWorse ? $edge <= $safe : $edge >= $safe)
            || $node->refuse($lowerIsWorse ? 'edge must be above 0 and safe not below edge: less air for the fuel is worse.' : 'safe must be above 0 and edge not below safe.');

        return [$safe, $edge];
    }
}
