<?php

namespace Pebblerun\Core\Report;

use Pebblerun\Core\Advice\Candidate;
use Pebblerun\Core\Advice\FuelCandidate;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Physics\Fuel\FuelKind;

/** Writes candidates for a page. */
final class CandidateDocument
{
    /** @return array<string, mixed> */
    public static function of(Candidate $candidate, UnitFormatter $say): array
    {
        $part = $candidate->part;
        $adds = round($say->power($candidate->adds));

        return [
            'part' => $part->key,
            'name' => $part->name,
            'maker' => $part->maker,
            'adds' => $part->isSupporting() ? 'supports' : sprintf('%+d %s', $adds, $say->powerLabel()),
            'adds_torque' => $part->isSupporting() ? '' : sprintf('%+d %s', round($say->torque($candidate->addsTorque)), $say->torqueLabel()),
            'costs' => $say->sayMoney($candidate->costs),
            'each' => $adds >= 1.0 ? $say->sayMoney((int) round($candidate->costs / $adds))." a {$say->powerLabel()}" : '',
            'drags' => self::drags($candidate->drags),
            'cautions' => array_map(fn ($caution): string => $caution->text(), $part->cautions),
            'chosen' => $candidate->chosen,
        ];
    }

    /** @return array<string, mixed> */
    public static function ofFuel(FuelCandidate $candidate, UnitFormatter $say): array
    {
        $fuel = $candidate->fuel;

        return [
            'part' => $fuel->key,
            'name' => $fuel->name,
            'maker' => $fuel->kind === FuelKind::Diesel ? 'for diesel engines' : sprintf('%d octane, %d to %d %% ethanol', $fuel->octane, $fuel->ethanol->low, $fuel->ethanol->high),
            'adds' => sprintf('%+d %s', round($say->power($candidate->adds)), $say->powerLabel()),
            'adds_torque' => sprintf('%+d %s', round($say->torque($candidate->addsTorque)), $say->torqueLabel()),
            'costs' => '',
            'each' => '',
            'drags' => self::drags($candidate->drags),
            'cautions' => [],
            'chosen' => $candidate->chosen,
        ];
    }

    /**
     * @param  list<Finding>  $findings
     * @return list<array{fault: bool, sentence: string}>
     */
    private static function drags(array $findings): array
    {
        return array_map(fn (Finding $finding): array => ['fault' => $finding->kind->isFault(), 'sentence' => $finding->sentence], $findings);
    }
}
