<?php

namespace Pebblerun\Core\Evaluation\Fuel;

use Closure;
use Pebblerun\Core\Evaluation\Air\Breath;
use Pebblerun\Core\Math\LinearInterpolation;
use Pebblerun\Core\Math\Nearest;
use Pebblerun\Core\Physics\Driveline\Loss;

/** The boost that a build asks when its tuner holds it to less power, or it gives more. */
final class BoostByPower
{
    /** Shares of the likely power at which boost is asked; straight between them. */
    private const SHARES = [0.2, 0.5, 0.75, 1.0, 1.25, 1.6];

    /** Pa: closer than this it is the same boost. */
    private const EXACT = 500.0;

    /** @var array<int, array{non-empty-list<float>, non-empty-list<float>}> W at the crank and Pa, by place */
    private array $tables = [];

    public function __construct(private readonly Breath $breath, private readonly Loss $loss) {}

    /** @return Closure(float): float Pa over ambient at a power at the crank, near an engine speed */
    public function along(float $rpm): Closure
    {
        $place = Nearest::place($this->breath->rpms, $rpm);
        [$powers, $boosts] = $this->tables[$place] ??= $this->table($place);

        return fn (float $power): float => LinearInterpolation::spread($powers, $boosts, [$power])[0];
    }

    /**
     * Whether a map can hold it to a power: by less boost than it would have, but no less than the gate's spring gives. A belt has no gate.
     *
     * @param  float  $most  W at the crank
     */
    public function canBeHeld(float $rpm, float $most): bool
    {
        $place = Nearest::place($this->breath->rpms, $rpm);
        $boost = $this->along($rpm);
        $power = $this->loss->toCrank($this->breath->power($place));
        if ($most >= $power) {
            return true;
        }
        $spring = $this->breath->model->hardware->compressor->spring ?? 0.0;

        return ! $this->breath->model->hardware->belt && $boost($most) >= min($spring, $boost($power)) - self::EXACT;
    }

    /** @return array{non-empty-list<float>, non-empty-list<float>} */
    private function table(int $place): array
    {
        $power = max(1.0, $this->loss->toCrank($this->breath->power($place)));

        return [array_map(fn (float $share): float => $share * $power, self::SHARES), array_map(fn (float $share): float => $this->breath->boost($place, $share), self::SHARES)];
    }
}
