<?php

namespace Pebblerun\Core\Catalog\Limits;

use Pebblerun\Core\Catalog\Conditions\Condition;
use Pebblerun\Core\Catalog\Conditions\MapKind;
use Pebblerun\Core\Catalog\Evidence;

/** What a component bears: safe and edge values in one quantity. */
final readonly class Limit
{
    /**
     * @param  string  $slot  the component's place; a part fitted there that brings one of the same quantity replaces this
     * @param  non-empty-list<array{float, float, float}>  $points  rpm, safe, edge; straight between, flat outside.
     *                                                             One point holds for all speeds
     * @param  array<string, float>  $moved  factor on both values by map kind
     * @param  ?Condition  $when  it holds only then
     * @param  bool  $setByHand  its figures come neither from records nor from outcomes by the rule: somebody set them
     * @param  ?array{float, float}  $hot  safe and edge on the hottest day, where they are others
     */
    public function __construct(
        public string $key,
        public string $name,
        public string $slot,
        public Quantity $quantity,
        public array $points,
        public array $moved,
        public string $consequence,
        public Evidence $evidence,
        public string $note,
        public ?Condition $when = null,
        public ?array $hot = null,
        public bool $setByHand = false,
    ) {}

    /** How far the map moves both values; 1.0 under the factory's. */
    public function movedBy(?MapKind $map): float
    {
        return $map === null ? 1.0 : ($this->moved[$map->value] ?? 1.0);
    }

    public function safeAt(float $rpm): float
    {
        return $this->at($rpm, 1);
    }

    public function edgeAt(float $rpm): float
    {
        return $this->at($rpm, 2);
    }

    public function isFlat(): bool
    {
        return count($this->points) === 1;
    }

    /** @param  1|2  $which */
    private function at(float $rpm, int $which): float
    {
        $before = $this->points[0];
        foreach ($this->points as $point) {
            if ($rpm <= $point[0]) {
                return $point[0] === $before[0]
                    ? $point[$which]
                    : $before[$which] + ($point[$which] - $before[$which]) * ($rpm - $before[0]) / ($point[0] - $before[0]);
            }
            $before = $point;
        }

        return $before[$which];
    }
}
