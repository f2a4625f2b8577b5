<?php

namespace Pebblerun\Core\Exchange;

use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Platform\FuelComponent;
use Pebblerun\Core\Physics\Fuel\CamPump;
use Pebblerun\Core\Physics\Fuel\DirectInjectors;
use Pebblerun\Core\Physics\Fuel\FeedPump;
use Pebblerun\Core\Physics\Fuel\PortInjectors;
use Pebblerun\Core\Physics\Fuel\Supply;

/** Reads components of the fuel system: flows in cm³/min and L/h, pressures in bar. */
final class SupplyReader
{
    /**
     * @param  array<string, mixed>  $slots  known slots by key
     */
    public static function component(DocumentNode $node, array $slots): FuelComponent
    {
        return new FuelComponent(
            $node->get('key')->string(), $node->get('name')->string(), $node->get('slot')->keyword(...array_keys($slots)), self::supply($node),
            $node->get('consequence')->string(),
            Evidence::from($node->get('evidence')->get('kind')->keyword(...array_column(Evidence::cases(), 'value'))),
            $node->get('evidence')->maybe('note')?->string() ?? '',
        );
    }

    private static function supply(DocumentNode $node): Supply
    {
        $bar = fn (string $key): float => 1e5 * $node->get($key)->number();
        $flow = fn (): float => 1e-6 / 60.0 * $node->get('flow_cc_min')->number();

        return match ($node->get('kind')->keyword('port-injectors', 'direct-injectors', 'cam-pump', 'feed-pump')) {
            'port-injectors' => new PortInjectors($node->get('count')->int(), $flow(), $bar('rated_bar'), $bar('rail_bar'), $node->maybe('follows_manifold')?->bool() ?? false),
            'direct-injectors' => new DirectInjectors($node->get('count')->int(), $flow(), $bar('rated_bar'), $bar('rail_bar')),
            'cam-pump' => new CamPump(1e-6 * $node->get('volume_cc')->number()),
            default => new FeedPump(1e-3 / 3600.0 * $node->get('flow_l_h')->number()),
        };
    }
}
