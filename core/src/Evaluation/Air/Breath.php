<?php

namespace Pebblerun\Core\Evaluation\Air;

use Closure;
use Pebblerun\Core\Evaluation\Likely;
use Pebblerun\Core\Evaluation\Model\DayAir;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Math\Nearest;
use Pebblerun\Core\Math\Peak;
use Pebblerun\Core\Physics\Air\Ambient;
use Pebblerun\Core\Physics\Air\Charge;
use Pebblerun\Core\Physics\Air\ChargePath;
use Pebblerun\Core\Physics\Air\Compressor;
use Pebblerun\Core\Physics\Air\Pulls;
use Pebblerun\Core\Physics\Air\Soak;
use Pebblerun\Core\Physics\Fuel\DieselBurn;

/** What a build breathes along its likely curve, and what it would breathe with more or less power than that. */
final class Breath
{
    private const THRESHOLD = 323.15;

    /** @var array<string, Charge> */
    private array $charges = [];

    /** @var array<string, float> */
    private array $soaked = [];

    /** @var ?array{Likely, DayAir} */
    private ?array $there = null;

    /**
     * @param  non-empty-list<float>  $rpms  that are looked at
     * @param  non-empty-list<float>  $air  ratio to the stock car's air, one a speed
     * @param  non-empty-list<float>  $easier  what takes less pressure for it
     * @param  non-empty-list<float>  $leaner  a diesel's λ over the stock car's
     * @param  non-empty-list<float>  $follows  how much of a change of power is a change of air: its exponent
     * @param  non-empty-list<float>  $power  W that the engine makes
     * @param  non-empty-list<float>  $nitrous  share of the power that nitrous adds to the rest
     * @param  ?ChargePath  $path  null on a natural engine
     * @param  Ambient  $hot  the hottest day
     * @param  Closure(self): array{Likely, DayAir}  $onHotDay  the likely curve of that day
     */
    public function __construct(
        public readonly StageModel $model,
        public readonly StockAir $stock,
        public readonly array $rpms,
        private readonly array $air,
        private readonly array $easier,
        private readonly array $leaner,
        public readonly array $follows,
        private readonly array $power,
        private readonly array $nitrous,
        private readonly ?ChargePath $path,
        private readonly float $displacement,
        public readonly Ambient $hot,
        private readonly Closure $onHotDay,
    ) {}

    /** @return array{Likely, DayAir} the likely curve of the hottest day, and what that day leaves before ceilings */
    public function there(): array
    {
        return $this->there ??= ($this->onHotDay)($this);
    }

    /** Whether a map or a gate holds the manifold's pressure: a belt does not. */
    public function holdsPressure(): bool
    {
        return $this->path !== null && ! $this->model->hardware->belt;
    }

    /**
     * The charge at a place.
     *
     * @param  float  $more  power against the likely curve
     */
    public function charge(int $place, float $more = 1.0, bool $hot = false): Charge
    {
        return $this->charges["{$place}/{$more}/{$hot}"] ??= $hot ? $this->onHotDay($place, $more) : $this->onStandardDay($place, $more);
    }

    private function onStandardDay(int $place, float $more): Charge
    {
        $rpm = $this->rpms[$place];
        $air = $this->air[$place] * $more ** $this->follows[$place];
        $stock = $this->stock->charge($rpm);
        $charge = match (true) {
            $this->path === null => new Charge($stock->manifold, 1.0, $stock->hot, $stock->cool, $stock->flow * $air, 0.0),
            $this->model->charger !== null => $this->charged($place, $more, Ambient::standard()),
            $this->model->hardware->measured !== null => $this->path->at(Ambient::STANDARD + $this->stock->following($this->model->hardware->measured, $rpm), $stock->flow * $air),
            default => $this->path->following($stock->manifold, $stock->flow, $stock->cool, $air, $this->easier[$place]),
        };

        return $this->shifted($charge, Ambient::standard());
    }

    private function onHotDay(int $place, float $more): Charge
    {
        if ($this->path === null) {
            $cool = $this->charge($place, $more);

            return new Charge($this->hot->pressure, 1.0, $this->hot->kelvin, $this->hot->kelvin, $cool->flow * $this->hot->pressure / Ambient::STANDARD * sqrt(Ambient::STANDARD_KELVIN / $this->hot->kelvin), 0.0);
        }
        if ($this->model->charger !== null) {
            return $this->shifted($this->charged($place, $more, $this->hot), $this->hot);
        }

        return $this->heldOnHotDay($place, $more, $this->holdsPressure() ? $this->airLeft($place) : 1.0);
    }

    /** A charger holds its pressure whether a draw gives more or less: that is more or less air through it. */
    private function charged(int $place, float $more, Ambient $day): Charge
    {
        $rpm = $this->rpms[$place];
        $swept = $this->stock->filling($rpm) * $this->air[$place] * $this->displacement * $rpm / 120.0;
        $charge = $this->model->charger?->charge($day, $rpm, $swept) ?? $this->stock->charge($rpm);
        $air = $more ** $this->follows[$place];

        return new Charge($charge->manifold, $charge->ratio, $charge->hot, $charge->cool, $charge->flow * $air, $charge->share * $air);
    }

    /** Share of the air that the compressor still moves on the hottest day. */
    private function airLeft(int $place): float
    {
        [$there, $day] = $this->there();
        if ($day->left !== null) {
            return $day->held * $day->left[$place];
        }
        $freely = $this->power[$place] / (1.0 + $this->nitrous[$place]);
        $bottle = $this->power[$place] - $freely;

        return $day->held * min(1.0, max(0.1, ($there->engine[$there->grid->place($this->rpms[$place])] - $bottle) / max(1.0, $freely * $day->keeps[$place])));
    }

    /**
     * The map holds the manifold's pressure, as far as the compressor moves the air for it; thinner and warmer air makes it work harder,
     * and warmer charge is less of it.
     *
     * @param  float  $left  share of the air that it still moves
     */
    public function heldOnHotDay(int $place, float $more = 1.0, float $left = 1.0): Charge
    {
        $cool = $this->charge($place, $more);
        if ($this->path === null) {
            return $cool;
        }
        if ($this->model->charger !== null) {
            return $this->shifted($this->charged($place, $more, $this->hot), $this->hot);
        }
        $path = $this->path->on($this->hot);
        $flow = $cool->flow * $left;
        $charge = $cool;
        for ($step = 0; $step < 4; $step++) {
            $charge = $this->shifted($path->at($cool->manifold * $left, $flow), $this->hot);
            $flow = $cool->flow * $left * sqrt($cool->cool / $charge->cool);
        }

        return $charge;
    }

    /** K into the engine at the end of the fifth pull. */
    public function fifth(int $place, float $more = 1.0, bool $hot = false): float
    {
        return $this->soaked["{$place}/{$more}/{$hot}"] ??= $this->soak($this->charge($place, $more, $hot), $hot);
    }

    /** K into the engine at the end of the fifth pull at the nearest speed that was looked at. */
    public function fifthNear(float $rpm, bool $hot): float
    {
        return $this->fifth(Nearest::place($this->rpms, $rpm), 1.0, $hot);
    }

    /** Charge temperature by pull at one of the speeds that are looked at. */
    public function soakAt(float $rpm): Soak
    {
        $place = (int) array_search($rpm, $this->rpms, true);

        return new Soak($this->charge($place)->cool, $this->fifth($place), $this->threshold($place));
    }

    /**
     * @param  float  $top  one of the speeds that are looked at
     * @return array{float, float, float, float} rpm and Pa where boost is highest, and there
     */
    public function boostPeaks(float $top): array
    {
        $boosts = array_map($this->boost(...), array_keys($this->rpms));
        $most = Peak::place($boosts);

        return [$this->rpms[$most], $boosts[$most], $top, $boosts[(int) array_search($top, $this->rpms, true)]];
    }

    private function soak(Charge $charge, bool $hot): float
    {
        $cooler = $this->path?->cooler;
        if ($cooler === null) {
            return $charge->cool;
        }
        $day = $hot ? $this->hot : Ambient::standard();
        $cores = $cooler->soak($day->kelvin, $charge->hot, $charge->flow, new Pulls);

        return $this->cooled($this->path->on($day)->warmed($charge, $cores[count($cores) - 1])->cool, $day);
    }

    /**
     * K into the engine under load that goes on.
     *
     * @param  float  $airspeed  m/s on the cooler
     */
    public function sustained(int $place, float $more, bool $hot, float $airspeed): float
    {
        $charge = $this->charge($place, $more, $hot);
        $cooler = $this->path?->cooler;
        if ($cooler === null) {
            return $charge->cool;
        }
        $day = $hot ? $this->hot : Ambient::standard();

        return $this->cooled($this->path->on($day)->warmed($charge, $cooler->steady($day->kelvin, $charge->hot, $charge->flow, $airspeed))->cool, $day);
    }

    /** Pa over the outside air. */
    public function boost(int $place, float $more = 1.0, bool $hot = false): float
    {
        return $this->path === null ? 0.0 : max(0.0, $this->charge($place, $more, $hot)->manifold - ($hot ? $this->hot->pressure : Ambient::STANDARD));
    }

    /** K above which the map takes power: 50 °C, or what the stock car breathes. */
    public function threshold(int $place): float
    {
        return max(self::THRESHOLD, $this->stock->charge($this->rpms[$place])->cool);
    }

    /** A diesel's λ at full load. */
    public function lambda(int $place, float $more = 1.0, bool $hot = false): float
    {
        // More power than likely is more fuel; the air that comes with it is in the charge.
        $air = $more ** $this->follows[$place];
        $thinner = $hot ? $this->charge($place, $more, true)->flow / $this->charge($place, $more)->flow : 1.0;

        return DieselBurn::lambda($this->stock->load->lambdaAt($this->rpms[$place]), $this->leaner[$place] * $air * $thinner, $more);
    }

    /** W that turning the compressor takes at a place; 0 without a belt. */
    public function drive(int $place): float
    {
        $charge = $this->charge($place);

        return $this->path === null || ! $this->model->hardware->belt ? 0.0 : Compressor::drive($charge->flow, $this->path->ambient->kelvin, $charge->hot);
    }

    /** W that the engine makes at a place, as the stock driveline brings it to the wheels. */
    public function power(int $place): float
    {
        return $this->power[$place];
    }

    /** Share of the power that nitrous adds to the rest at a place. */
    public function nitrous(int $place): float
    {
        return $this->nitrous[$place];
    }

    public function isCompressed(): bool
    {
        return $this->path !== null;
    }

    /** Whether the compressor's flow is rated. */
    public function isRated(): bool
    {
        return $this->path?->compressor->ratedFlow !== null;
    }

    private function shifted(Charge $charge, Ambient $day): Charge
    {
        return $this->model->hardware->charge === 0.0 ? $charge : new Charge($charge->manifold, $charge->ratio, $charge->hot, $this->cooled($charge->cool, $day), $charge->flow, $charge->share);
    }

    /** What is sprayed in cools the charge, to the air outside at the most. */
    private function cooled(float $kelvin, Ambient $day): float
    {
        return max(min($kelvin, $day->kelvin), $kelvin + $this->model->hardware->charge);
    }
}
