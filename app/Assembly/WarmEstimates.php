<?php

namespace App\Assembly;

use App\Models\LibraryVersion;
use Pebblerun\Core\Advice\NextStep;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Evaluator;
use Pebblerun\Core\Evaluation\Memo;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Exchange\OpenedBundle;
use Pebblerun\Core\Job\Brief\Readiness;
use Pebblerun\Core\Report\BenchDocument;
use Pebblerun\Core\Report\SummaryDocument;

/**
 * Estimates by one process that goes on: the cars that it was asked about last are read already, and their evaluators remember
 * builds. What it answers never depends on what it remembers.
 *
 * @phpstan-type Asked array{rules: string, library: array<string, mixed>, car: array{units: array<string, mixed>, shop: array<string, mixed>, brief: array<string, mixed>}, plan: array<string, mixed>, reading: array<string, string>}
 * @phpstan-type WarmAnswer array{bench: array<string, mixed>, summary: array<string, mixed>, due: string, oldest_price: ?string, figures: array<string, list<mixed>>}
 */
final class WarmEstimates
{
    /** Cars that are remembered; one takes up to 25 MB. */
    private const CARS = 6;

    /** @var Memo<OpenedBundle> */
    private Memo $cars;

    /** @var Memo<Evaluator> */
    private Memo $evaluators;

    private RememberedFigures $figures;

    public function __construct()
    {
        $this->figures = new RememberedFigures;
        $this->cars = new Memo(self::CARS);
        $this->evaluators = new Memo(self::CARS);
    }

    /**
     * @param  Asked  $asked
     * @return WarmAnswer
     */
    public function answer(array $asked): array
    {
        $key = Canonical::hash([$asked['library']['fingerprint'], $asked['car']]);
        $car = $this->cars->get($key) ?? $this->cars->put($key, self::read($asked));
        $opened = $car->withPlan($asked['plan']);
        $name = $key.serialize($opened->bundle->plan->settings);
        $estimate = Estimate::of($opened->bundle, $this->figures, $this->evaluators->get($name));
        $this->evaluators->put($name, $estimate->evaluator);

        return [
            'bench' => BenchDocument::of($estimate, Reading::known($asked['reading'])->formatter($opened)),
            'summary' => SummaryDocument::of($estimate, Reading::inUnits($asked['car']['units'])->formatter($opened)),
            'due' => NextStep::of(Readiness::of($asked['car']['brief']), $estimate)->value,
            'oldest_price' => $estimate->oldestPrice(),
            'figures' => $this->figures->taken(),
        ];
    }

    /** @param  Asked  $asked */
    private static function read(array $asked): OpenedBundle
    {
        $library = new LibraryVersion($asked['library']);

        return BundleReader::trusted([...$asked['car'], ...Libraries::content($library), 'plan' => $asked['plan']], $library->fingerprint);
    }
}
