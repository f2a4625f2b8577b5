<?php

namespace Tests\Formats;

use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Limits\Status;
use Pebblerun\Core\Evaluation\StageResult;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Formats\DocumentReader;
use Pebblerun\Formats\Folder;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What demo data has beyond what every platform must have (LibraryCheckTest): evidence of all kinds, and plans worth putting forward. */
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
    public function test_figures_rest_on_several_kinds_of_evidence(string $job, ?int $year = null): void
    {
        $kinds = [];
        foreach (self::stock($job, $year)->bundle->catalog->parts as $part) {
            foreach ($part->gains as $case) {
                $kinds[$case->source->evidence->value] = ($kinds[$case->source->evidence->value] ?? 0) + 1;
            }
        }
        self::assertArrayNotHasKey(Evidence::Typical->value, $kinds, 'somebody has looked at every one');
        foreach (Evidence::cases() as $kind) {
            $least = $kind === Evidence::Typical ? 0 : 3;
            self::assertGreaterThanOrEqual($least, $kinds[$kind->value] ?? 0, $kind->value);
        }
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
