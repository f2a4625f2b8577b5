<?php

namespace Pebblerun\Core\Tests\Job;

use Pebblerun\Core\Advice\Library\LibraryDoubt;
use Pebblerun\Core\Advice\Library\PlatformCheck;
use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\Limits\Status;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Exchange\OpenedBundle;
use Pebblerun\Core\Job\NewJob;
use Pebblerun\Core\Job\Starting\EngineKind;
use Pebblerun\Core\Job\Starting\NewPlatform;
use Pebblerun\Core\Job\Starting\StockEngine;
use Pebblerun\Core\Job\Starting\TypicalParts;
use Pebblerun\Core\Physics\Driveline\UsualLoss;
use Pebblerun\Core\Tests\Exchange\SmallBundle;
use Pebblerun\Core\Units\PowerUnit;
use Pebblerun\Core\Units\TorqueUnit;
use Pebblerun\Core\Units\UnitSystem;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A platform made of a few answers: usable at once, and honest about what nobody has looked at. */
final class StartingTest extends TestCase
{
    private const METRIC = ['power' => 'kW', 'torque' => 'Nm', 'pressure' => 'psi', 'temperature' => 'F', 'mass' => 'lb'];

    /**
     * @param  array<string, mixed>  $other
     * @return array<string, mixed>
     */
    private static function platform(EngineKind $kind, UnitSystem $units = new UnitSystem, array $other = []): array
    {
        ['engine' => $engine, 'drive' => $drive, 'gearbox' => $gearbox, 'rev_limit' => $revs, 'power' => [$power, $powerRpm], 'torque' => [$torque, $torqueRpm]] = $kind->usual();

        // @phpstan-ignore argument.type (an engine of the platform format)
        return (new NewPlatform($units, new UsualLoss))->of([
            'key' => 'own', 'name' => 'Own', 'make' => 'Orrin', 'model' => 'Own', 'years' => ['from' => 2015, 'to' => 2020], 'engine' => $engine, 'drive' => $drive, 'gearbox' => $gearbox, 'rev_limit' => $revs, 'read' => 'crank',
            'peaks' => ['torque' => ['rpm' => $torqueRpm, 'value' => $torque * TorqueUnit::LbFt->newtonMetres() / $units->torque->newtonMetres()], 'power' => ['rpm' => $powerRpm, 'value' => $power * PowerUnit::Hp->watts() / $units->power->watts()], 'redline' => $revs],
            ...$other,
        ]);
    }

    /** @param  array<string, mixed>  $platform */
    private static function opened(array $platform, UnitSystem $units = new UnitSystem): OpenedBundle
    {
        return BundleReader::read(NewJob::bundle($platform, [], [...SmallBundle::document()['shop'], 'fuels' => [['key' => 'pump', 'name' => 'Pump', 'octane' => 95, 'ethanol' => 5, 'price_litre' => 2], ['key' => 'diesel', 'name' => 'Diesel', 'kind' => 'diesel', 'price_litre' => 2]]], $units->toArray()));
    }

    /** @return iterable<string, array{EngineKind, UnitSystem}> */
    public static function kinds(): iterable
    {
        foreach (EngineKind::cases() as $kind) {
            yield $kind->value => [$kind, new UnitSystem];
            yield "{$kind->value}, metric" => [$kind, UnitSystem::parse(self::METRIC)];
        }
    }

    #[DataProvider('kinds')]
    public function test_a_usual_engine_of_each_kind_is_believed_and_clear_of_every_limit(EngineKind $kind, UnitSystem $units): void
    {
        $document = self::platform($kind, $units);
        self::assertSame($kind, EngineKind::of($document['engine']));
        $opened = self::opened($document, $units);
        $stock = Estimate::of($opened->bundle);
        self::assertSame([], array_map(fn (LibraryDoubt $doubt): string => "{$doubt->code->value} {$doubt->path}", PlatformCheck::of($stock)));
        self::assertSame([], array_filter($stock->last()->readings, fn (LimitReading $reading): bool => $reading->status !== Status::Clear));
        self::assertSame([], array_filter($opened->bundle->catalog->platform->limits, fn (Limit $limit): bool => $limit->evidence !== Evidence::Typical), 'nobody has looked at one of them');
        self::assertSame('typical', $document['baseline']['evidence']['kind']);
        $has = fn (string $path): mixed => array_reduce(explode('.', $path), fn (mixed $in, string $key): mixed => is_array($in) ? $in[$key] ?? null : null, $document);
        foreach ($document['typical'] as $path) {
            self::assertNotNull($has($path), $path);
        }
        self::assertNotContains('rev_limit', $document['typical'], 'that was answered');
    }

    public function test_a_claim_loses_what_its_driveline_does_and_a_wheel_figure_nothing(): void
    {
        // Front wheels, a manual, an inertia roller: 14 % less, 245 · 0.86.
        $claimed = self::platform(EngineKind::Turbo);
        self::assertEqualsWithDelta(210.7, $claimed['baseline']['peaks']['power']['value'], 0.05);
        self::assertSame(['power' => 245.0, 'torque' => 270.0], $claimed['claimed']);
        $read = self::platform(EngineKind::Turbo, new UnitSystem, ['read' => 'wheels']);
        self::assertSame(245.0, $read['baseline']['peaks']['power']['value']);
        self::assertArrayNotHasKey('claimed', $read);
        self::assertSame('judgement', $read['baseline']['evidence']['kind']);
    }

    public function test_typical_figures_follow_the_car(): void
    {
        $small = self::platform(EngineKind::Turbo);
        $peaks = ['torque' => ['rpm' => 2200.0, 'value' => 320.0], 'power' => ['rpm' => 5500.0, 'value' => 300.0], 'redline' => 6800.0];
        $strong = self::platform(EngineKind::Turbo, new UnitSystem, ['peaks' => $peaks]);
        $safe = fn (array $platform, string $key): float => array_column($platform['limits'], null, 'key')[$key]['safe'];
        self::assertGreaterThan(1.15 * $safe($small, 'clutch'), $safe($strong, 'clutch'));
        self::assertGreaterThan($small['boost']['at_torque'][1], $strong['boost']['at_torque'][1], 'as much air through the same engine takes more boost');
        self::assertSame([], PlatformCheck::of(Estimate::of(self::opened($strong)->bundle)), 'its boost, pumps and limits go with it');
        // 1.33 of 232.2 lb-ft, to a half of the second digit.
        self::assertSame(310.0, $safe($small, 'gearbox'));
        self::assertSame(1.05, $safe($small, 'turbo-speed'));
    }

    public function test_a_part_can_begin_with_what_is_usual_in_its_slot(): void
    {
        $of = fn (string $slot, float $share = 1.0, UnitSystem $units = new UnitSystem): ?array => TypicalParts::of(EngineKind::Turbo, $slot, $share * 214 * PowerUnit::Hp->watts(), $share * 225 * TorqueUnit::LbFt->newtonMetres(), $units);
        // Orders of magnitude of a 214 whp car: catalysed downpipe 6/12/20, 8/14/24, 2.5 h.
        self::assertSame(['gain' => ['power' => [6.0, 12.0, 20.0], 'torque' => [8.0, 14.0, 24.0]], 'hours' => 2.5], $of('downpipe'));
        self::assertSame([12.0, 24.0, 40.0], $of('downpipe', 2.0)['gain']['power'] ?? null);
        self::assertSame(2.5, $of('downpipe', 3.0)['hours'] ?? null, 'a stronger car takes no longer');
        // 12 hp are 8.9 kW; 14 lb-ft are 19 N·m.
        $metric = $of('downpipe', 1.0, UnitSystem::parse(self::METRIC))['gain'] ?? null;
        self::assertSame([[4.5, 9.0, 15.0], [11.0, 19.0, 33.0]], [$metric['power'] ?? null, $metric['torque'] ?? null]);
        self::assertSame(['gain' => null, 'hours' => 6.0], $of('clutch'));
        self::assertNull($of('gearbox'));
    }

    /**
     * By hand, a natural petrol engine that burns 265 and 305 g/kWh: 100 kW at 6,000 rpm are 159.2 N·m; 220 N·m at 4,000 rpm burn
     * 220 · 265 over 159.2 · 305 for each turn. With 120 N·m there a turn burns less, which asks nothing more of a pump.
     */
    public function test_a_turn_at_the_torque_peak_may_burn_more_than_one_at_the_power_peak(): void
    {
        $engine = fn (float $torque): StockEngine => new StockEngine(EngineKind::Natural, 2e-3, false, [100_000.0, 6000.0], [$torque, 4000.0], 6800.0);
        self::assertEqualsWithDelta(220.0 * 265.0 / (159.155 * 305.0), $engine(220.0)->fuelOfTorque(), 1e-5);
        self::assertSame(1.0, $engine(120.0)->fuelOfTorque());
    }
}
