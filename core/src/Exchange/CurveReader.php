<?php

namespace Pebblerun\Core\Exchange;

use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Math\InvalidCurve;
use Pebblerun\Core\Math\Peak;
use Pebblerun\Core\Math\PowerTorqueCheck;
use Pebblerun\Core\Math\StrayPoint;
use Pebblerun\Core\Units\UnitSystem;

/** Reads a wheel curve from points, or sketches it from its peaks. */
final readonly class CurveReader
{
    public function __construct(private UnitSystem $units) {}

    public function read(DocumentNode $node, bool $boosted): Curve
    {
        return $node->has('peaks') ? $this->peaks($node->get('peaks'), $boosted) : $this->points($node->get('points'));
    }

    /** The point that stands where its neighbours would not put it; null where there is none, or the peaks alone are known. */
    public function stray(DocumentNode $node): ?StrayPoint
    {
        return $node->has('peaks') ? null : StrayPoint::of(array_map(fn (DocumentNode $item): array => [$item->get('rpm')->number(), $item->get('torque')->number() * $this->units->torque->newtonMetres()], $node->get('points')->items()));
    }

    /** W, where the peaks alone are told; null for points. */
    public function statedPower(DocumentNode $node): ?float
    {
        return $node->has('peaks') ? $node->get('peaks')->get('power')->get('value')->number() * $this->units->power->watts() : null;
    }

    private function points(DocumentNode $node): Curve
    {
        $points = $both = [];
        foreach ($node->items() as $item) {
            $rpm = $item->get('rpm')->number();
            $torque = $item->get('torque')->number() * $this->units->torque->newtonMetres();
            $points[] = [$rpm, $torque];
            if ($item->has('power')) {
                $both[count($points) - 1] = [$rpm, $torque, $item->get('power')->number() * $this->units->power->watts()];
            }
        }

        try {
            PowerTorqueCheck::agree($both);

            return Curve::fromPoints($points);
        } catch (InvalidCurve $fault) {
            throw new InvalidBundle($fault->row === null ? $node->path() : "{$node->path()}[{$fault->row}]", $fault->getMessage(), $fault);
        }
    }

    private function peaks(DocumentNode $node, bool $boosted): Curve
    {
        return $node->guard(fn (): Curve => Curve::sketched(
            $node->get('lowest_rpm')->number(),
            new Peak($node->get('torque')->get('rpm')->number(), $node->get('torque')->get('value')->number() * $this->units->torque->newtonMetres()),
            new Peak($node->get('power')->get('rpm')->number(), $node->get('power')->get('value')->number() * $this->units->power->watts()),
            $node->get('redline')->number(),
            $boosted,
        ));
    }
}
