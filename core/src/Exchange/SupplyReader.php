<?php

namespace Pebblerun\Core\Exchange;

use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Limits\FuelComponent;
use Pebblerun\Core\Physics\Fuel\CamPump;
use Pebblerun\Core\Physics\Fuel\DirectInjectors;
use Pebblerun\Core\Physics\Fuel\FeedPump;
use Pebblerun\Core\Physics\Fuel\PortInjectors;
use Pebblerun\Core\Physics\Fuel\PumpFuel;
use Pebblerun\Core\Physics\Fuel\Supply;
use Pebblerun\Core\Units\PowerUnit;

/** Reads components of the fuel system: flows in cm³/min and L/h, pressures in bar, or the wheel power that they are good for. */
final readonly class SupplyReader
{
    /** @param  array<string, mixed>  $slots  known slots by key */
    public function __construct(private array $slots, private PumpFuel $fuel, private PowerUnit $power) {}

    public function component(DocumentNode $node): FuelComponent
    {
        return new FuelComponent(
            $node->get('key')->string(), $node->get('name')->string(), $node->get('slot')->keyword(...array_keys($this->slots)), $this->supply($node),
            $node->get('consequence')->string(),
            $node->get('evidence')->get('kind')->enum(Evidence::class),
            $node->get('evidence')->maybe('note')?->string() ?? '',
            $node->get('kind')->string(),
            $this->goodFor($node),
        );
    }

    /** @return ?float W at the wheels */
    private function goodFor(DocumentNode $node): ?float
    {
        $power = $node->maybe('good_for');

        return $power === null ? null : $power->number() * $this->power->watts();
    }

    private function supply(DocumentNode $node): Supply
    {
        $bar = fn (string $key): float => 1e5 * $node->get($key)->number();
        $flow = fn (): float => 1e-6 / 60.0 * $node->get('flow_cc_min')->number();
        $kind = $node->get('kind')->keyword('port-injectors', 'direct-injectors', 'cam-pump', 'feed-pump');
        $power = $this->goodFor($node);
        if ($power !== null) {
            $volume = $this->fuel->volume($power);

            return $kind === 'cam-pump' ? CamPump::goodFor($volume, $this->fuel->powerRpm) : FeedPump::goodFor($volume);
        }

        return match ($kind) {
            'port-injectors' => new PortInjectors($node->get('count')->int(), $flow(), $bar('rated_bar'), $bar('rail_bar'), $node->maybe('follows_manifold')?->bool() ?? false),
            'direct-injectors' => new DirectInjectors($node->get('count')->int(), $flow(), $bar('rated_bar'), $bar('rail_bar')),
            'cam-pump' => new CamPump(1e-6 * $node->get('volume_cc')->number()),
            default => new FeedPump(1e-3 / 3600.0 * $node->get('flow_l_h')->number(), $node->maybe('follows_manifold')?->bool() ?? false),
        };
    }
}
