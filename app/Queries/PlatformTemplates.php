<?php

namespace App\Queries;

use App\Models\Shop;
use Pebblerun\Core\Job\Starting\EngineKind;
use Pebblerun\Core\Report\Terms;
use Pebblerun\Core\Units\PowerUnit;
use Pebblerun\Core\Units\TorqueUnit;
use Pebblerun\Core\Units\UnitSystem;

/** What the answers of a new platform begin with, by kind of engine. */
final class PlatformTemplates
{
    /** @return list<array<string, mixed>> valid against platformTemplates of schemas/answers.json */
    public static function of(Shop $shop): array
    {
        $units = UnitSystem::parse($shop->units);

        return array_map(function (EngineKind $kind) use ($units): array {
            ['engine' => $engine, 'power' => [$power, $powerRpm], 'torque' => [$torque, $torqueRpm]] = $usual = $kind->usual();

            return [
                'kind' => $kind->value, 'words' => Terms::engineKind($kind), ...$engine, 'drive' => $usual['drive'], 'gearbox' => $usual['gearbox'], 'rev_limit' => $usual['rev_limit'],
                'power' => self::rounded($power * PowerUnit::Hp->watts() / $units->power->watts()), 'power_rpm' => $powerRpm,
                'torque' => self::rounded($torque * TorqueUnit::LbFt->newtonMetres() / $units->torque->newtonMetres()), 'torque_rpm' => $torqueRpm,
            ];
        }, EngineKind::cases());
    }

    private static function rounded(float $value): float
    {
        return round($value, $value < 50.0 ? 1 : 0);
    }
}
