<?php

namespace Tests\Formats;

use Pebblerun\Core\Catalog\Conditions\EthanolAtLeast;
use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Catalog\Platform\AirRole;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Findings\Belief;
use Pebblerun\Core\Evaluation\Findings\EngineLoad;
use Pebblerun\Core\Evaluation\Limits\Status;
use Pebblerun\Core\Evaluation\StageResult;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Formats\DocumentReader;
use Pebblerun\Formats\Folder;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What must agree in every platform's data: else its estimates are wrong, however well they are computed. */
final class PlatformDataTest extends TestCase
{
    /** @return iterable<string, array{string, 1?: int}> a job of each platform, and model years that have something otherwise */
    public static function platforms(): iterable
    {
        foreach (['a-bit-each-month', 'estate-hauler', 'up-the-hill', 'quiet-blower', 'paddock-minibike'] as $job) {
            yield $job => [$job];
        }
        yield 'a Lyre of 2018' => ['a-bit-each-month', 2018];
        yield 'a Stag of 2014' => ['estate-hauler', 2014];
    }

    private static function folder(): Folder
    {
        return new Folder(dirname(__DIR__, 2).'/demo', DocumentReader::standard());
    }

    /** The stock car, unmeasured. */
    private static function stock(string $job, ?int $year): Estimate
    {
        $document = self::folder()->bundle($job);
        $fuel = $document['platform']['engine']['fuel'] === 'diesel' ? 'diesel' : 'pump-98';
        $document['brief'] = ['car' => ['year' => $year ?? $document['platform']['years']['from'] + 2, 'gearbox' => $document['platform']['gearbox'] ?? 'manual'], 'received' => ['parts' => [], 'fuel' => $fuel, 'healthy' => true]];
        $document['plan']['stages'] = [];

        return Estimate::of(BundleReader::read($document)->bundle);
    }

    #[DataProvider('platforms')]
    public function test_the_engine_fills_believably(string $job, ?int $year = null): void
    {
        $estimate = self::stock($job, $year);
        $air = $estimate->evaluator->breath($estimate->last()->model, $estimate->evaluator->likely($estimate->last()->model));
        self::assertNotNull($air);
        $most = $estimate->bundle->catalog->platform->boosted ? 1.10 : 1.20;
        foreach ([$air->stock->torqueRpm, $air->stock->plateauEnd, $air->stock->powerRpm] as $rpm) {
            self::assertGreaterThanOrEqual(0.75, $air->stock->filling($rpm), "{$rpm} rpm");
            self::assertLessThanOrEqual($most, $air->stock->filling($rpm), "{$rpm} rpm");
        }
        self::assertSame(Belief::Usual, EngineLoad::of($estimate->last(), $estimate->bundle->catalog->platform, $estimate->evaluator->losses[0])->belief);
    }

    /** At least 8 % below safe; charge air 10 K and the exhaust 40 K; on the hottest day too. */
    #[DataProvider('platforms')]
    public function test_the_stock_car_is_clear_on_every_limit_with_room(string $job, ?int $year = null): void
    {
        foreach (self::stock($job, $year)->last()->readings as $reading) {
            self::assertSame(Status::Clear, $reading->status, $reading->limit->name);
            match ($reading->limit->quantity) {
                Quantity::ChargeTemperature => self::assertGreaterThanOrEqual(10.0, $reading->safe - $reading->typical, $reading->limit->name),
                Quantity::ExhaustTemperature => self::assertGreaterThanOrEqual(40.0, $reading->safe - $reading->typical, $reading->limit->name),
                Quantity::FuelFlow => self::assertLessThanOrEqual(1.0 / 1.1, $reading->median, "{$reading->limit->name} has a tenth to spare"),
                Quantity::EngineSpeed, Quantity::Knock => self::assertLessThan(1.0, $reading->median, $reading->limit->name),
                default => self::assertLessThanOrEqual(0.92, $reading->median, $reading->limit->name),
            };
        }
    }

    #[DataProvider('platforms')]
    public function test_fuel_is_given_as_flow_and_never_as_a_ceiling_on_power(string $job, ?int $year = null): void
    {
        $platform = self::stock($job, $year)->bundle->catalog->platform;
        self::assertNotSame([], $platform->fuelSystem);
        foreach ($platform->ceilings as $ceiling) {
            self::assertSame([], array_filter($ceiling->when?->leaves() ?? [], fn (object $term): bool => $term instanceof EthanolAtLeast), $ceiling->name);
            self::assertStringNotContainsString('fuel', $ceiling->key);
        }
    }

    #[DataProvider('platforms')]
    public function test_figures_rest_on_several_kinds_of_evidence(string $job, ?int $year = null): void
    {
        $kinds = [];
        foreach (self::stock($job, $year)->bundle->catalog->parts as $part) {
            foreach ($part->gains as $case) {
                $kinds[$case->evidence->value] = ($kinds[$case->evidence->value] ?? 0) + 1;
            }
        }
        foreach (Evidence::cases() as $kind) {
            self::assertGreaterThanOrEqual(3, $kinds[$kind->value] ?? 0, $kind->value);
        }
    }

    #[DataProvider('platforms')]
    public function test_cams_say_where_their_peaks_stand(string $job, ?int $year = null): void
    {
        $silent = [];
        $catalog = self::stock($job, $year)->bundle->catalog;
        foreach ($catalog->parts as $part) {
            $family = $catalog->platform->families[$catalog->platform->slots[$part->slots[0]]->family];
            if ($family->air === AirRole::Cams && $part->effects->revLimit !== null) {
                $silent[] = ($part->gains[0]->peaks ?? null) === null ? $part->name : null;
            }
        }
        self::assertSame([], array_filter($silent));
    }

    /** One that a good advisor would put forward; those that are not say why in the brief. */
    public function test_at_most_two_of_the_jobs_carry_a_limit_past_safe_and_their_briefs_say_why(): void
    {
        $past = [];
        foreach (self::folder()->jobs() as $job) {
            $document = self::folder()->bundle($job);
            $estimate = Estimate::of(BundleReader::read($document)->bundle);
            if (array_filter($estimate->results, fn (StageResult $result): bool => ($result->weakest()->status ?? Status::Clear)->severity() >= Status::Over->severity()) !== []) {
                $past[$job] = (string) $document['brief']['purpose'];
            }
            self::assertSame([], array_filter($estimate->results, fn (StageResult $result): bool => $result->isGated()), "{$job} has no gated stage");
        }
        self::assertLessThanOrEqual(2, count($past));
        foreach ($past as $job => $purpose) {
            self::assertMatchesRegularExpression('/gearbox/', $purpose, $job);
        }
    }
}
