<?php

namespace Pebblerun\Core\Evaluation;

use Pebblerun\Core\Evaluation\Limits\Standing;
use Pebblerun\Core\Math\Percentiles;
use Pebblerun\Core\Physics\Air\Soak;

/**
 * The costly figures of one stage: what draws and leave-one-out runs gave. They depend on what stands in the stage
 * alone, so they can be kept and given back.
 */
final readonly class StageFigures
{
    /**
     * @param  Percentiles  $power  W
     * @param  Percentiles  $torque  N·m
     * @param  ?Percentiles  $atTarget  N·m
     * @param  float  $plainSum  W
     * @param  list<Standing>  $standings  one for each standing limit
     * @param  ?float  $hot  share of the power that is left on the hottest day
     * @param  ?Soak  $soak  charge temperature by pull
     * @param  ?array{float, float, float, float}  $boost  rpm and Pa where it is highest and at the power peak
     * @param  list<float>  $lost  W at the peak that would be lost without it, for each part
     * @param  ?array{float, float}  $within  chance to reach the target with every limit at or below safe, and edge
     * @param  list<array{float, float}>  $costs  W and N·m that each standing ceiling costs
     */
    public function __construct(
        public Percentiles $power,
        public Percentiles $torque,
        public ?Percentiles $atTarget,
        public float $plainSum,
        public array $standings,
        public ?array $within,
        public array $lost,
        public array $costs,
        public ?float $hot,
        public ?Soak $soak,
        public ?array $boost,
    ) {}

    /** @return list<mixed> plain values, exact through JSON */
    public function toArray(): array
    {
        return [$this->power->toArray(), $this->torque->toArray(), $this->atTarget?->toArray(), $this->plainSum, array_map(fn (Standing $standing): array => $standing->toArray(), $this->standings), $this->within, $this->lost, $this->costs, $this->hot, $this->soak === null ? null : [$this->soak->first, $this->soak->fifth, $this->soak->threshold], $this->boost];
    }

    /** @param  list<mixed>  $known  as toArray() gave them */
    public static function known(array $known): self
    {
        /** @var array{array{float, float, float, float, ?float}, array{float, float, float, float, ?float}, ?array{float, float, float, float, ?float}, float, list<array{?float, float, float, ?float, bool, ?float}>, ?array{float, float}, list<float>, list<array{float, float}>, ?float, ?array{float, float, float}, ?array{float, float, float, float}} $known */
        [$power, $torque, $atTarget, $plainSum, $standings, $within, $lost, $costs, $hot, $soak, $boost] = $known;

        return new self(
            Percentiles::known($power), Percentiles::known($torque),
            $atTarget === null ? null : Percentiles::known($atTarget),
            $plainSum, array_map(Standing::known(...), $standings), $within, $lost, $costs, $hot, $soak === null ? null : new Soak(...$soak), $boost,
        );
    }
}
