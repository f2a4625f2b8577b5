<?php

namespace Tests\Formats;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Platform\Slot;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Exchange\OpenedBundle;
use Pebblerun\Core\Job\Bundle;
use Pebblerun\Core\Report\EstimateDocument;
use Pebblerun\Core\Units\PowerUnit;
use Pebblerun\Core\Units\TorqueUnit;
use Pebblerun\Formats\DocumentReader;
use Pebblerun\Formats\Folder;
use Pebblerun\Formats\SchemaValidator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\ExpectationFailedException;
use PHPUnit\Framework\TestCase;

/** The demo shop: its estimates are kept, and its figures stay what such engines give. */
final class DemoTest extends TestCase
{
    private const ROOT = __DIR__.'/../..';

    /** Folder of the kept documents; regenerate on purpose with bin/golden. */
    private const KEPT = __DIR__.'/golden';

    public static function jobs(): iterable
    {
        foreach (self::folder()->jobs() as $job) {
            yield $job => [$job];
        }
    }

    private static function folder(): Folder
    {
        return new Folder(self::ROOT.'/demo', DocumentReader::standard());
    }

    private static function bundle(string $job): OpenedBundle
    {
        return DocumentReader::standard()->open(self::folder()->bundle($job));
    }

    /** @return array<string, mixed> */
    private static function document(string $job): array
    {
        $opened = self::bundle($job);

        return json_decode((string) json_encode(EstimateDocument::of(Estimate::of($opened->bundle), $opened->units)), true);
    }

    /** @return array<string, mixed> */
    private static function kept(string $name): array
    {
        return json_decode((string) file_get_contents(self::KEPT."/{$name}.json"), true);
    }

    #[DataProvider('jobs')]
    public function test_the_estimate_of_a_demo_job_is_the_kept_one(string $job): void
    {
        [$figures, $prose] = Golden::split(self::document($job));
        Golden::assertSame(self::kept($job), $figures, $job);
        self::assertSame(self::kept('prose')[$job], $prose);
    }

    #[DataProvider('jobs')]
    public function test_the_estimate_of_a_demo_job_follows_its_schema(string $job): void
    {
        $opened = self::bundle($job);
        $gate = new SchemaValidator(self::ROOT.'/schemas');
        $gate->check('estimate.json', json_decode((string) json_encode(EstimateDocument::of(Estimate::of($opened->bundle), $opened->units))));
        $this->addToAssertionCount(1);
    }

    /** Likely gain of power in hp and of torque in lb-ft by kind of part: lowest and highest that a practitioner would take. */
    public static function kinds(): iterable
    {
        yield 'panel filters' => ['/-panel$/', 0, 3, 0, 4];
        yield 'cat-backs and filter-backs' => ['/catback|-back(-quiet)?$/', 0, 8, 0, 8];
        yield 'downpipes' => ['/downpipe|-dp-/', 3, 17, 6, 20];
        yield 'intercoolers' => ['/cooler(-tow)?$|top-large|front-9|kolvane-water$/', 4, 11, 4, 12];
        yield 'hybrid and larger turbos' => ['/kolvane-h\d|hybrid|stag-large/', 25, 80, 0, 40];
        yield 'headers' => ['/header(-race)?$|mer-short|mer-long/', 5, 30, 4, 25];
        yield 'cams without heads' => ['/cams(-mild|-sharp)?$/', 10, 35, -6, 14];
        yield 'maps' => ['/shelf|remote|saltmarsh/', 4, 45, 5, 90];
    }

    #[DataProvider('kinds')]
    public function test_gains_stay_within_what_such_parts_give(string $keys, float $leastPower, float $mostPower, float $leastTorque, float $mostTorque): void
    {
        $found = 0;
        foreach (self::platforms() as $bundle) {
            foreach ($bundle->catalog->parts as $part) {
                if (preg_match($keys, $part->key) !== 1 || $part->gains === []) {
                    continue;
                }
                $found++;
                $gain = $part->gains[0];
                self::assertThat($gain->power->likely / PowerUnit::HP, self::logicalAnd(self::greaterThanOrEqual($leastPower - 1e-6), self::lessThanOrEqual($mostPower + 1e-6)), $part->key);
                self::assertThat($gain->torque->likely / TorqueUnit::LB_FT, self::logicalAnd(self::greaterThanOrEqual($leastTorque - 1e-6), self::lessThanOrEqual($mostTorque + 1e-6)), $part->key);
            }
        }
        self::assertGreaterThanOrEqual(2, $found);
    }

    public function test_every_platform_has_its_breadth(): void
    {
        $platforms = self::platforms();
        self::assertSame(['brackmoor-stag-28d', 'corvane-lyre-16t', 'marlow-tern-24', 'ondra-meridian-48', 'pindle-mule-212'], array_keys($platforms));
        foreach ($platforms as $key => $bundle) {
            $catalog = $bundle->catalog;
            // A governed single has less to bolt on to, and fewer who make it.
            [$slots, $parts] = $key === 'pindle-mule-212' ? [8, 8] : [14, 35];
            self::assertGreaterThanOrEqual($slots, count(array_filter($catalog->platform->slots, fn (Slot $slot): bool => ! $slot->internal)), "slots of {$key}");
            self::assertGreaterThanOrEqual($parts, count($catalog->parts), "parts of {$key}");
            self::assertGreaterThanOrEqual(4, count($catalog->platform->limits), "limits of {$key}");
            self::assertSame($key === 'pindle-mule-212', array_filter($catalog->parts->all(), fn (Part $part): bool => $part->map !== null) === [], "maps of {$key}: a carburettor has none");
        }
        $kits = array_filter($platforms, fn (Bundle $bundle): bool => array_filter($bundle->catalog->parts->all(), fn (Part $part): bool => $part->contains !== []) !== []);
        self::assertGreaterThanOrEqual(2, count($kits));
    }

    /** @return array<string, Bundle> by platform */
    private static function platforms(): array
    {
        static $platforms = [];
        foreach ($platforms === [] ? self::folder()->jobs() : [] as $job) {
            $bundle = self::bundle($job)->bundle;
            $platforms[$bundle->catalog->platform->key] ??= $bundle;
        }
        ksort($platforms);

        return $platforms;
    }

    /** A figure that moves by its last digit and a half, a chance by a thousandth or a bar by a hundredth is seen. */
    public function test_a_kept_document_sees_small_changes(): void
    {
        $kept = self::kept('skarn-hill-commuter');
        foreach ([['chance.reach', 0.001], ['chance.within', 0.001], ['used_gain_percent', 0.01], ['added', 0.01]] as [$field, $by]) {
            $moved = $kept;
            data_set($moved['stages'][1], $field, data_get($moved['stages'][1], $field) + $by);
            try {
                Golden::assertSame($kept, $moved);
            } catch (ExpectationFailedException) {
                $this->addToAssertionCount(1);

                continue;
            }
            self::fail("{$field} moved by {$by} unseen");
        }
    }
}
