<?php

/** The core against a straight loop over the same arithmetic, in one process: ratios, not seconds. */

use Pebblerun\Core\Advice\Candidates;
use Pebblerun\Core\Advice\Fixes;
use Pebblerun\Core\Advice\VerdictSubject;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Evaluator;
use Pebblerun\Core\Evaluation\KnownCar;
use Pebblerun\Core\Evaluation\Model\Package;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Evaluation\StageResult;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Report\EstimateDocument;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** @var array{string, string} $argv */
require $argv[1].'/vendor/autoload.php';
require __DIR__.'/straight-loop.php';

$read = fn (string $file): array => json_decode((string) file_get_contents("{$argv[1]}/demo/{$file}"), true);
$document = [
    'units' => ['power' => 'hp', 'torque' => 'lb-ft'],
    'shop' => $read('shop.json')['shop'],
    'platform' => $read('platforms/corvane-lyre-16t.json')['platform'],
    'parts' => $read('parts/corvane-lyre-16t.json')['parts'],
    'brief' => $read('jobs/skarn-hill-commuter/brief.json')['brief'],
    'plan' => $read('jobs/skarn-hill-commuter/plan.json')['plan'],
];
$opened = BundleReader::read(thirtyParts($document));
$bundle = $opened->bundle;

/** Four stages with thirty parts at the end: the demo's three, one with what is left, and slots that no car has. */
function thirtyParts(array $bundle): array
{
    $rest = ['fjellvent-inlet-63', 'brimstall-mid', 'brimstall-catback-quiet', 'pellaworks-h2', 'pellaworks-inj', 'orsken-rods', 'tarnstone-gears', 'saltmarsh-dyno', 'hollinwick-pads'];
    $bundle['plan']['stages'][] = ['key' => 's4', 'name' => 'all the rest', 'fuel' => 'blend-30', 'changes' => array_map(fn (string $key): array => ['fit' => $key], $rest)];
    $families = ['intake', 'exhaust', 'charge', 'induction'];
    for ($i = 0; $i < 13; $i++) {
        $bundle['platform']['slots'][] = ['key' => "extra-{$i}", 'name' => "Extra {$i}", 'lane' => $bundle['platform']['lanes'][1]['key'], 'family' => $families[$i % 4], 'stock' => 'none'];
        $bundle['parts'][] = [
            'key' => "extra-part-{$i}", 'name' => "Extra part {$i}", 'maker' => 'Kolvane', 'slots' => ["extra-{$i}"], 'price' => ['new' => 100],
            'gains' => [['power' => [0, 1, 2], 'torque' => [0, 1, 2], 'evidence' => ['kind' => 'judgement']]],
        ];
        $bundle['plan']['stages'][$i % 4]['changes'][] = ['fit' => "extra-part-{$i}"];
    }

    return $bundle;
}

/** Median of several timed runs in ms, after warming up. */
function median(callable $run): float
{
    $times = [];
    for ($i = 0; $i < 45; $i++) {
        $start = hrtime(true);
        $run();
        if ($i >= 15) {
            $times[] = (hrtime(true) - $start) / 1e6;
        }
    }
    sort($times);

    return $times[intdiv(count($times), 2)];
}

$kept = Estimate::of($bundle);
$fresh = fn (): Evaluator => new Evaluator($bundle->catalog, $bundle->shop->rates, $bundle->brief, KnownCar::asReceived($bundle->catalog, $bundle->brief, $kept->results[0]->state->build), $bundle->plan->settings);
$builds = array_map(fn (StageResult $result): object => $result->state->build, $kept->results);
$likely = median(function () use ($fresh, $builds): void {
    $evaluator = $fresh();
    foreach ($builds as $build) {
        $evaluator->likely($evaluator->model($build));
    }
});
$estimate = median(fn (): Estimate => Estimate::of($bundle));
$written = median(fn (): array => EstimateDocument::of($kept, $opened->units));

// Neighbours: the last build and 200 more, each one exchange away from the one before, as a planner walks.
$evaluator = $fresh();
$random = new Randomizer(new Mt19937(1));
$parts = array_values(array_filter($bundle->catalog->parts->all(), fn (Part $part): bool => $part->map === null));
$build = Package::of($kept->last()->state->build)->mapped($bundle->catalog);
$walk = [];
for ($i = 0; $i < 200; $i++) {
    $walk[] = $build = $build->with($parts[$random->getInt(0, count($parts) - 1)]);
}
$base = $evaluator->catalog->platform->baseline;
$bare = $begun = [];
$received = $evaluator->model($builds[0]);
foreach ($walk as $i => $one) {
    $model = $evaluator->model($one);
    $answer = $evaluator->likely($model);
    $bare[$i] = [bare($model, $evaluator, $received), $answer->grid->rpms];
    $begun[count($answer->grid->rpms)] ??= beginning($evaluator, $received, $answer->grid->rpms, startOn($evaluator, $received, $answer->grid->rpms));
    [$power, $torque] = straight(...[...$bare[$i], ...$begun[count($answer->grid->rpms)], $base->rpms(), $base->torque]);
    if (abs($power / $answer->peakPower - 1.0) > 1e-9 || abs($torque / $answer->peakTorque - 1.0) > 1e-9) {
        exit("the straight loop and the evaluator differ at neighbour {$i}: {$power} and {$answer->peakPower} W\n");
    }
}

/**
 * As received, on the speeds of another build.
 *
 * @return list<float> W
 */
function startOn(Evaluator $evaluator, StageModel $received, array $rpms): array
{
    $likely = $evaluator->likely($received);

    return count($likely->wheels) === count($rpms) ? $likely->wheels : exit("a neighbour moves the rev limit: leave such parts out\n");
}

$rpms = $base->rpms();
$straight = median(function () use ($bare, $begun, $rpms, $base): void {
    foreach ($bare as [$model, $grid]) {
        straight($model, $grid, ...[...$begun[count($grid)], $rpms, $base->torque]);
    }
}) / count($walk);
$neighbour = median(function () use ($fresh, $walk): void {
    $evaluator = $fresh();
    foreach ($walk as $build) {
        $evaluator->likely($evaluator->model($build));
    }
}) / count($walk);
$once = $straight * count($builds);

// Advice, over a plan in trouble: over budget, out of reach, on a fuel the customer does not pump.
$troubled = $document;
$troubled['brief'] = [...$document['brief'], 'budget' => ['total' => 3000], 'fuels' => [$document['shop']['fuels'][0]['key']], 'risk' => 'cautious', 'target' => ['power' => 1.03 * $document['brief']['target']['power']]];
$trouble = BundleReader::read($troubled);
$settle = Estimate::of($trouble->bundle);
$candidates = median(function () use ($settle): void {
    foreach (['map', 'filter', 'intercooler', 'downpipe'] as $slot) {
        (new Candidates($settle->planned))->parts($slot, count($settle->results) - 1);
    }
});
$fixes = median(function () use ($settle, $troubled, $trouble): void {
    $fixes = new Fixes($settle, $troubled['plan'], $trouble->plan(...));
    foreach (VerdictSubject::cases() as $subject) {
        $fixes->of($subject);
    }
});

printf("core, four stages, %d parts at the end\n", count($kept->last()->state->build->parts));
printf("  straight loop, whole arithmetic of five builds  %7.2f ms    1.0\n", $once);
printf("  likely values of the plan, from nothing         %7.2f ms  %5.1f straight loops\n", $likely, $likely / $once);
printf("  full estimate, 512 draws, shares, limits        %7.2f ms  %5.1f straight loops, %.1f likely estimates\n", $estimate, $estimate / $once, $estimate / $likely);
printf("  writing the document                            %7.2f ms  %5.1f straight loops\n", $written, $written / $once);
printf("  a random neighbour, likely                      %7.4f ms  %5.2f straight loops, %d a second\n", $neighbour, $neighbour / $straight, 1000.0 / $neighbour);
printf("  candidates of four slots                        %7.2f ms\n", $candidates);
printf("  fixes of all six lines of a plan in trouble     %7.2f ms\n", $fixes);
printf("  most memory                                     %7.1f MB\n", memory_get_peak_usage(true) / 1048576);
