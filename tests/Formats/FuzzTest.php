<?php

namespace Tests\Formats;

use Pebblerun\Core\CoreException;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Exchange\InvalidBundle;
use Pebblerun\Core\Report\EstimateDocument;
use Pebblerun\Core\Tests\Exchange\RichBundle;
use Pebblerun\Core\Units\UnitSystem;
use Pebblerun\Formats\InvalidDocument;
use Pebblerun\Formats\SchemaValidator;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Bundles with figures nobody would write: each is refused with a place, or answered in finite figures. PEBBLERUN_FUZZ says how many;
 * few by default, ten thousand before a release.
 */
final class FuzzTest extends TestCase
{
    private const FEW = 100;

    public function test_every_bundle_is_refused_or_answered(): void
    {
        $many = (int) (getenv('PEBBLERUN_FUZZ') ?: self::FEW);
        $schemas = new SchemaValidator(dirname(__DIR__, 2).'/schemas');
        $variants = array_values(RichBundle::variants());
        $answered = 0;
        for ($seed = 1; $seed <= $many; $seed++) {
            $random = new Randomizer(new Mt19937($seed));
            $document = $this->complete($variants[$random->getInt(0, count($variants) - 1)]);
            for ($change = $random->getInt(1, 4); $change > 0; $change--) {
                $document = $this->changed($document, $random);
            }
            $answered += $this->isAnswered($document, $schemas, $seed) ? 1 : 0;
        }
        self::assertGreaterThan($many / 10, $answered, 'enough of them are read at all');
        self::assertLessThan($many, $answered);
    }

    /** @param  array<string, mixed>  $document */
    private function isAnswered(array $document, SchemaValidator $schemas, int $seed): bool
    {
        try {
            $schemas->check('bundle.json', json_decode((string) json_encode($document)));
            $opened = BundleReader::read($document);
        } catch (InvalidDocument|InvalidBundle) {
            return false;
        }
        try {
            $said = EstimateDocument::of(Estimate::of($opened->bundle), new UnitSystem);
        } catch (CoreException $fault) {
            self::assertNotSame('', $fault->getMessage(), "seed {$seed}");

            return false;
        }
        array_walk_recursive($said, function (mixed $value) use ($seed): void {
            if (is_float($value) && ! is_finite($value)) {
                self::fail("seed {$seed}: a figure that is none");
            }
        });

        return true;
    }

    /**
     * @param  array<string, mixed>  $document
     * @return array<string, mixed>
     */
    private function complete(array $document): array
    {
        $shop = ['name' => 'Saltmarsh', ...$document['shop']];
        foreach (['platform', 'brief'] as $part) {
            $document[$part] = array_filter($document[$part], fn (mixed $value): bool => $value !== null);
        }
        $document['brief']['car'] = array_filter($document['brief']['car'], fn (mixed $value): bool => $value !== null);

        return ['format' => 'pebblerun/bundle', 'version' => 3, ...$document, 'shop' => $shop];
    }

    /**
     * One leaf of it another.
     *
     * @param  array<string, mixed>  $document
     * @return array<string, mixed>
     */
    private function changed(array $document, Randomizer $random): array
    {
        // Mostly figures: of other words the schemas refuse nearly all.
        $wantsFigure = $random->getInt(0, 7) > 0;
        for ($try = 0; $try < 12; $try++) {
            $changed = self::mutated($document, $random, $wantsFigure);
            if (is_array($changed) && $changed !== $document) {
                return $changed;
            }
        }

        return $document;
    }

    private static function mutated(mixed $here, Randomizer $random, bool $wantsFigure): mixed
    {
        if (is_array($here) && $here !== []) {
            $key = array_keys($here)[$random->getInt(0, count($here) - 1)];
            if (! $wantsFigure && $random->getInt(0, 40) === 0) {
                unset($here[$key]);
            } else {
                $here[$key] = self::mutated($here[$key], $random, $wantsFigure);
            }

            return $here;
        }

        return match (true) {
            is_int($here) || is_float($here) => [0, -1, 1, 1e-9, 0.5, 3.0, 100, 9999, 1e6, $here * 10, $here / 10, $here + 50, -$here, $here * 0.5, $here * 0.8, $here * 1.3, $here * 2, $here + 1][$random->getInt(0, 17)],
            $wantsFigure => $here,
            is_bool($here) => ! $here,
            is_string($here) => ['', 'manual', 'turbo', 'pump', 'strong', 'map', 'track', 'dyno', 'diesel', $here][$random->getInt(0, 9)],
            default => 1,
        };
    }
}
