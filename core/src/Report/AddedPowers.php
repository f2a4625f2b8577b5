<?php

namespace Pebblerun\Core\Report;

use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\StageGain;

/** What each change of a stage adds, as it is written everywhere: together, what its median wheel power shows over the stage before. */
final readonly class AddedPowers
{
    /** The fuel, among slots. */
    public const FUEL = '';

    /** @param  array<string, string>  $written  "+14" by slot */
    private function __construct(private array $written) {}

    public static function of(Estimate $estimate, int $stage, UnitFormatter $say): self
    {
        $gains = $estimate->results[$stage]->gains;
        if ($gains === []) {
            return new self([]);
        }
        $watts = array_map(fn (StageGain $gain): float => $gain->power, $gains);

        return new self(array_combine(
            array_map(fn (StageGain $gain): string => $gain->slot ?? self::FUEL, $gains),
            $say->writeAddedPowers($watts, $estimate->results[$stage - 1]->power->p50, $estimate->results[$stage]->power->p50),
        ));
    }

    /** "+14", without its unit; empty where nothing changes in that slot. */
    public function at(string $slot): string
    {
        return $this->written[$slot] ?? '';
    }
}
