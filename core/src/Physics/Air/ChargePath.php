<?php

namespace Pebblerun\Core\Physics\Air;

/** From the outside air through compressor and cooler into the engine. */
final readonly class ChargePath
{
    /** Pa lost before the compressor and across the cooler, at the flow of the stock car's power peak; they grow with its square. */
    public const INLET_LOSS = 4_000.0;

    public const COOLER_LOSS = 10_000.0;

    /** The pressure is followed until it moves less than this, Pa. */
    private const EXACT = 50.0;

    private const MOST_STEPS = 60;

    /**
     * @param  ?Cooler  $cooler  null where the air goes straight from the compressor into the engine
     * @param  float  $fullFlow  kg/s of the stock car at its power peak, at which the losses are stated
     */
    public function __construct(
        public Ambient $ambient,
        public Compressor $compressor,
        public ?Cooler $cooler,
        public float $fullFlow,
        public float $inletLoss = self::INLET_LOSS,
        public float $coolerLoss = self::COOLER_LOSS,
    ) {}

    /** The same path on another day. */
    public function on(Ambient $day): self
    {
        return new self($day, $this->compressor, $this->cooler, $this->fullFlow, $this->inletLoss, $this->coolerLoss);
    }

    /**
     * At a pressure and a flow.
     *
     * @param  float  $manifold  Pa absolute
     * @param  float  $flow  kg/s
     * @param  ?float  $core  K of the cooler's core; null: as the air outside
     */
    public function at(float $manifold, float $flow, ?float $core = null): Charge
    {
        $x2 = ($flow / $this->fullFlow) ** 2;
        $ratio = max(1.0, ($manifold + $this->lossBehind() * $x2) / max(1e4, $this->ambient->pressure - $this->inletLoss * $x2));

        return $this->compressed($manifold, $ratio, $flow, $core);
    }

    /**
     * What an air ratio asks: p = p0·a·(T3/T3_0)/v, followed until it stands still. It stands at the latest after 60 steps.
     *
     * @param  float  $pressure  p0, Pa absolute, of the stock car at this speed
     * @param  float  $flow  kg/s of the stock car there
     * @param  float  $kelvin  T3_0 of the stock car there
     * @param  float  $air  a, against the stock car
     * @param  float  $easier  v: what breathes more easily needs less pressure
     */
    public function following(float $pressure, float $flow, float $kelvin, float $air, float $easier = 1.0): Charge
    {
        $manifold = $pressure * $air / $easier;
        $charge = $this->at($manifold, $flow * $air);
        for ($step = 0; $step < self::MOST_STEPS; $step++) {
            $next = $pressure * $air * $charge->cool / $kelvin / $easier;
            $moved = abs($next - $manifold);
            $manifold = $next;
            $charge = $this->at($manifold, $flow * $air);
            if ($moved < self::EXACT) {
                break;
            }
        }

        return $charge;
    }

    /** The same charge once the cooler's core has another temperature. */
    public function warmed(Charge $charge, float $core): Charge
    {
        return $this->compressed($charge->manifold, $charge->ratio, $charge->flow, $core);
    }

    private function lossBehind(): float
    {
        return $this->cooler === null ? 0.0 : ($this->cooler->loss ?? $this->coolerLoss);
    }

    private function compressed(float $manifold, float $ratio, float $flow, ?float $core): Charge
    {
        $share = $this->compressor->shareOf($flow, $this->ambient);
        $hot = $this->compressor->outlet($this->ambient->kelvin, $ratio, $share);

        return new Charge($manifold, $ratio, $hot, $this->cooler?->outlet($hot, $core ?? $this->ambient->kelvin, $flow) ?? $hot, $flow, $share);
    }
}
