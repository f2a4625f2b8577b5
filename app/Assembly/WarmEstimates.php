<?php

namespace App\Assembly;

use App\Models\LibraryVersion;
use Pebblerun\Core\CoreException;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Evaluator;
use Pebblerun\Core\Evaluation\Memo;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Exchange\OpenedBundle;
use Pebblerun\Core\Job\Commands\Commands;
use Pebblerun\Core\Job\Commands\Description;
use Pebblerun\Core\Job\Commands\PlanDraft;

/**
 * Estimates by one process that goes on: the cars that it was asked about last are read already, and their evaluators remember
 * builds. What it answers never depends on what it remembers.
 *
 * @phpstan-type Asked array{rules: string, shop: string, library: array<string, mixed>, car: array{units: array<string, mixed>, shop: array<string, mixed>, brief: array<string, mixed>}, plan: PlanDocument, commands: list<array<string, mixed>>, reading: array<string, string>}
 * @phpstan-type WarmAnswer array{document: PlanDocument, did: list<array{code: string, parameters: array<string, string|int|float|bool|null>}>, isNew: bool, figures: array<string, list<mixed>>, answer: KeptAnswer}
 *
 * @phpstan-import-type KeptAnswer from KeptAnswers
 * @phpstan-import-type PlanDocument from PlanDraft
 */
final class WarmEstimates
{
    /** Cars that are remembered; one takes up to 25 MB. */
    private const CARS = 6;

    /** Of some 20 KB each. */
    private const ANSWERS = 400;

    /** @var Memo<OpenedBundle> */
    private Memo $cars;

    /** @var Memo<Evaluator> by car and calculation settings */
    private Memo $evaluators;

    /** @var Memo<string> JSON */
    private Memo $answers;

    private RememberedFigures $figures;

    public function __construct()
    {
        $this->answers = new Memo(self::ANSWERS);
        $this->figures = new RememberedFigures;
        $this->cars = new Memo(self::CARS);
        $this->evaluators = new Memo(self::CARS);
    }

    /**
     * @param  Asked  $asked
     * @return string JSON of a WarmAnswer
     *
     * @throws CoreException when the commands cannot be done.
     */
    public function answer(array $asked): string
    {
        $key = Canonical::hash([$asked['library']['fingerprint'], $asked['car']]);
        $car = $this->cars->get($key) ?? $this->cars->put($key, self::read($asked));
        $catalog = $car->bundle->catalog;
        $did = Commands::describe($asked['commands'], $asked['plan'], $catalog);
        $document = Commands::apply($asked['plan'], $asked['commands'], $catalog);
        $name = Canonical::hash([$key, $document, $asked['reading']]);
        $known = $this->answers->get($name);
        $answer = $known ?? $this->answers->put($name, self::json($this->estimate($car->withPlan($document), $key, $asked)));

        return '{"document":'.self::json($document).',"did":'.self::json(array_map(fn (Description $one): array => $one->toArray(), $did))
            .',"isNew":'.self::json($known === null).',"figures":'.self::json((object) $this->figures->taken()).',"answer":'.$answer.'}';
    }

    /**
     * @param  Asked  $asked
     * @return KeptAnswer
     */
    private function estimate(OpenedBundle $opened, string $car, array $asked): array
    {
        $name = $car.serialize($opened->bundle->plan->settings);
        $known = $this->evaluators->get($name);
        $estimate = Estimate::of($opened->bundle, $this->figures, $known);
        $known ?? $this->evaluators->put($name, $estimate->evaluator);

        return KeptAnswers::of($estimate, $asked['car']['brief'], Reading::known($asked['reading'])->formatter($opened), Reading::inUnits($asked['car']['units'])->formatter($opened));
    }

    private static function json(mixed $value): string
    {
        return json_encode($value, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
    }

    /** @param  Asked  $asked */
    private static function read(array $asked): OpenedBundle
    {
        $library = new LibraryVersion($asked['library']);

        return BundleReader::trusted([...$asked['car'], ...Libraries::content($library), 'plan' => $asked['plan']], $library->content);
    }
}
