<?php

namespace Pebblerun\Core\Job\Starting;

use Pebblerun\Core\Units\UnitSystem;

/**
 * What such engines bear, breathe and burn, as a platform's figures: shares of the stock car's own torque, power and revs, after the
 * platforms that the shop's method was held against. Every one says "typical" until somebody knows better.
 */
final readonly class TypicalFigures
{
    private const KNOCK = ['knock', 'Knock headroom', 'pistons', 'knock', 3.0, 8.0, null, 'it knocks: ring lands break'];

    private const CHARGE = ['charge', 'Charge temperature', 'intercooler', 'charge-temperature', 75.0, 90.0, 'temperature', 'the map pulls timing and the second pull is slower'];

    private const TURBO = ['turbo-speed', 'Turbo', 'turbo', 'turbo-flow', 1.05, 1.15, null, 'it overspeeds: the shaft lets oil past, then the wheel touches'];

    private const CLUTCH = ['clutch', 'Clutch', 'clutch', 'wheel-torque', 1.29, 1.47, 'torque', 'it slips and glazes'];

    /** Key, name, slot, quantity, safe and edge, what of the stock car they are a share of, what happens past them. */
    private const LIMITS = [
        'turbo' => [
            ['gearbox', 'Gearbox', 'gearbox', 'wheel-torque', 1.33, 1.55, 'torque', 'third gear strips its teeth'],
            self::CLUTCH,
            ['rods', 'Rods', 'rods', 'wheel-torque', 1.51, 1.73, 'torque', 'a rod bends, most likely at low rpm'],
            ['valves', 'Valve springs', 'springs', 'engine-speed', 1.045, 1.09, 'revs', 'valve float'],
            ['pipe', 'Charge pipe', 'charge-pipe', 'boost', 1.3, 1.45, 'boost', 'a pipe splits or slips off'],
            self::TURBO, self::KNOCK, self::CHARGE,
        ],
        'natural' => [
            ['gearbox', 'Gearbox', 'gearbox', 'wheel-torque', 1.33, 1.53, 'torque', 'a gear or its bearing goes'],
            self::CLUTCH,
            ['rods', 'Rods', 'rods', 'wheel-torque', 1.43, 1.63, 'torque', 'a rod bends'],
            ['rod-bolts', 'Rod bolts', 'rods', 'engine-speed', 1.05, 1.10, 'revs', 'a rod bolt stretches and lets go'],
            ['valves', 'Valve springs', 'springs', 'engine-speed', 1.015, 1.065, 'revs', 'valves float and meet the pistons'],
            self::KNOCK,
        ],
        'blown' => [
            ['pistons', 'Pistons', 'pistons', 'wheel-power', 1.25, 1.4, 'power', 'a ring land breaks'],
            ['rods', 'Rods', 'rods', 'wheel-torque', 1.39, 1.61, 'torque', 'a rod buckles at low rpm'],
            ['gearbox', 'Gearbox', 'gearbox', 'wheel-torque', 1.35, 1.61, 'torque', 'its gears or clutches go'],
            ['valves', 'Valve springs', 'springs', 'engine-speed', 1.03, 1.09, 'revs', 'valves float'],
            self::KNOCK, self::CHARGE,
        ],
        'diesel' => [
            ['gearbox', 'Gearbox', 'gearbox', 'wheel-torque', 1.23, 1.45, 'torque', 'its clutches slip and burn'],
            ['rods', 'Rods', 'rods', 'wheel-torque', 1.35, 1.61, 'torque', 'a rod bends at low rpm'],
            ['egt', 'Exhaust before the turbine', 'turbo', 'exhaust-temperature', 780.0, 830.0, 'temperature', 'the turbine wheel and manifold crack on long grades'],
            ['pipe', 'Charge pipes', 'charge-pipe', 'boost', 1.3, 1.5, 'boost', 'a hose slips off'],
            ['smoke', 'Air for the fuel', 'injectors', 'smoke', 1.15, 1.05, null, 'black smoke: the particulate filter loads up and the exhaust gets hot'],
            self::TURBO, self::CHARGE,
        ],
        'single' => [
            ['rod', 'Rod', 'rods', 'engine-speed', 1.39, 1.53, 'revs', 'the rod breaks and goes through the case: parts fly where people stand'],
            ['valves', 'Valve springs', 'springs', 'engine-speed', 1.3, 1.39, 'revs', 'valves float and it stops pulling'],
            ['clutch', 'Clutch', 'clutch', 'wheel-torque', 1.35, 1.56, 'torque', 'it slips, smokes and drags'],
            self::KNOCK,
        ],
    ];

    /** On the hottest day the charge may be so much warmer, K. */
    private const HOT = 15.0;

    /** What the stock turbo or blower can give, as a share of the stock car's power. */
    private const AIRFLOW = ['turbo' => [1.35, 1.41, 1.47], 'blown' => [1.12, 1.18, 1.25], 'diesel' => [1.33, 1.41, 1.49]];

    /** Key, name, slot and kind; and what all carry of the stock car's power. */
    private const FUEL = [
        'turbo' => [['feed', 'Feed pump', 'low-pump', 'feed-pump'], ['high-pump', 'High-pressure pump', 'high-pump', 'cam-pump'], ['injectors', 'Injectors', 'injectors', 'direct-injectors']],
        'natural' => [['feed', 'Fuel pump', 'low-pump', 'feed-pump'], ['injectors', 'Injectors', 'injectors', 'port-injectors']],
        'blown' => [['feed', 'Fuel pump', 'low-pump', 'feed-pump'], ['injectors', 'Injectors', 'injectors', 'port-injectors']],
        'diesel' => [['feed', 'Lift pump', 'low-pump', 'feed-pump'], ['rail', 'Rail pump', 'high-pump', 'cam-pump'], ['injectors', 'Injectors', 'injectors', 'direct-injectors']],
        'single' => [['feed', 'Fuel feed', 'low-pump', 'feed-pump']],
    ];

    /** A blower's drive burns fuel too. */
    private const CARRIES = ['turbo' => 1.25, 'natural' => 1.25, 'blown' => 1.4, 'diesel' => 1.25, 'single' => 1.25];

    private const STARVED = ['feed-pump' => 'rail pressure follows the pump down', 'cam-pump' => 'rail pressure falls away and the mixture leans out', 'direct-injectors' => 'the injection gets too long', 'port-injectors' => 'the mixture leans out at high rpm'];

    /** Compressor's efficiency, and its rated flow over what the stock car asks. */
    private const COMPRESSOR = ['turbo' => 0.68, 'blown' => 0.6, 'diesel' => 0.71];

    private const RATED = 1.25;

    /** Charge cooler: efficiency, by so much more for each bar of boost; and what it stores and gives off for each kg/s that the stock car breathes. */
    private const COOLER = [0.70, 0.06, 105.0, 12_000.0];

    /** °C before a diesel's turbine under the factory's map. */
    private const EXHAUST = [670.0, 700.0, 730.0];

    private const MASS = ['turbo' => 1450.0, 'natural' => 1250.0, 'blown' => 1750.0, 'diesel' => 2000.0, 'single' => 95.0];

    private const DRAG_AREA = ['turbo' => 0.68, 'natural' => 0.66, 'blown' => 0.72, 'diesel' => 0.9, 'single' => 0.5];

    private const EVIDENCE = ['evidence' => ['kind' => 'typical']];

    /**
     * @param  float  $power  of the stock car at its wheels, in the shop's unit
     * @param  float  $torque  of the stock car at its wheels, in the shop's unit
     */
    public function __construct(private StockEngine $engine, private float $power, private float $torque, private UnitSystem $units) {}

    /** @return array<string, mixed> of the platform format; what carries no evidence is named under "typical" */
    public function all(): array
    {
        $kind = $this->engine->kind->value;
        $figures = [
            'mass' => self::tidy(self::MASS[$kind] / $this->units->mass->kilograms()),
            'drag_area' => self::DRAG_AREA[$kind],
            ...($this->engine->kind->boosted() ? ['boost' => $this->boost(), 'air' => $this->air()] : []),
            ...($this->engine->kind === EngineKind::Diesel ? ['exhaust' => array_map($this->degrees(...), self::EXHAUST)] : []),
        ];

        return [
            ...$figures,
            'limits' => array_map($this->limit(...), self::LIMITS[$kind]),
            'fuel_system' => array_map($this->supply(...), self::FUEL[$kind]),
            'ceilings' => $this->ceilings(),
            'typical' => self::paths($figures),
        ];
    }

    /**
     * @param  array{string, string, string, string, float, float, ?string, string}  $row
     * @return array<string, mixed>
     */
    private function limit(array $row): array
    {
        [$key, $name, $slot, $quantity, $safe, $edge, $of, $consequence] = $row;
        $in = match ($of) {
            'torque' => fn (float $share): float => self::tidy($share * $this->torque),
            'power' => fn (float $share): float => self::tidy($share * $this->power),
            'revs' => fn (float $share): float => round($share * $this->engine->revLimit, -1),
            'boost' => fn (float $share): float => $this->pressure($share * $this->engine->boost()[0]),
            'temperature' => $this->degrees(...),
            default => fn (float $value): float => $value,
        };

        return [
            'key' => $key, 'name' => $name, 'slot' => $slot, 'quantity' => $quantity, 'safe' => $in($safe), 'edge' => $in($edge),
            ...($quantity === 'charge-temperature' ? ['hot' => ['safe' => $in($safe + self::HOT), 'edge' => $in($edge + self::HOT)]] : []),
            'consequence' => $consequence, ...self::EVIDENCE,
        ];
    }

    /**
     * @param  array{string, string, string, string}  $row
     * @return array<string, mixed>
     */
    private function supply(array $row): array
    {
        [$key, $name, $slot, $kind] = $row;
        $more = $kind === 'cam-pump' ? $this->engine->fuelOfTorque() : 1.0;

        return ['key' => $key, 'name' => $name, 'slot' => $slot, 'kind' => $kind, 'good_for' => self::tidy($more * self::CARRIES[$this->engine->kind->value] * $this->power), 'consequence' => self::STARVED[$kind], ...self::EVIDENCE];
    }

    /** @return list<array<string, mixed>> */
    private function ceilings(): array
    {
        $shares = self::AIRFLOW[$this->engine->kind->value] ?? null;
        if ($shares === null) {
            return [];
        }
        $slot = $this->engine->kind === EngineKind::Blown ? 'blower' : 'turbo';

        return [['key' => "{$slot}-flow", 'name' => "The stock {$slot}'s airflow", 'kind' => 'soft', 'quantity' => 'power', 'at' => 'wheels', 'value' => array_map(fn (float $share): float => self::tidy($share * $this->power), $shares), 'when' => ['slot' => $slot, 'is' => 'stock'], ...self::EVIDENCE]];
    }

    /** @return array{at_torque: list<float>, at_power: list<float>} */
    private function boost(): array
    {
        $spread = fn (float $pascals): array => array_map(fn (float $share): float => $this->pressure($share * $pascals), [0.9, 1.0, 1.1]);
        [$torque, $power] = $this->engine->boost();

        return ['at_torque' => $spread($torque), 'at_power' => $spread($power)];
    }

    /** @return array<string, mixed> */
    private function air(): array
    {
        [$least, $more, $stores, $gives] = self::COOLER;
        $air = $this->engine->air();

        return [
            'compressor_efficiency' => self::COMPRESSOR[$this->engine->kind->value] ?? 0.65,
            'compressor_flow_kg_s' => self::tidy(self::RATED * $air),
            'cooler' => ['effectiveness' => round(min(0.9, $least + $more * $this->engine->boost()[0] / 1e5), 2), 'capacity_kj_k' => self::tidy($stores * $air), 'ua_w_k' => self::tidy($gives * $air), 'flow_kg_s' => self::tidy($air)],
        ];
    }

    private function pressure(float $pascals): float
    {
        return round(max(20_000.0, $pascals) / $this->units->pressure->pascals(), 2);
    }

    private function degrees(float $celsius): float
    {
        return round($this->units->temperature->fromKelvin($celsius + 273.15));
    }

    /** As somebody would say it: to a half of the second digit. */
    public static function tidy(float $value): float
    {
        $step = 10.0 ** (floor(log10($value)) - 1.0) / 2.0;

        return round(round($value / $step) * $step, 6);
    }

    /**
     * @param  array<string, mixed>  $figures
     * @return list<string>
     */
    private static function paths(array $figures, string $before = ''): array
    {
        $paths = [];
        foreach ($figures as $key => $figure) {
            $paths = [...$paths, ...(is_array($figure) && ! array_is_list($figure) ? self::paths($figure, "{$before}{$key}.") : ["{$before}{$key}"])];
        }

        return $paths;
    }
}
