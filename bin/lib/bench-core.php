<?php

/** The core against a straight loop over the same arithmetic, in one process: ratios, not seconds. */

use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\PlanEvaluator;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Report\EstimateDocument;

require $argv[1].'/vendor/autoload.php';

$read = fn (string $file): array => json_decode((string) file_get_contents("{$argv[1]}/demo/{$file}"), true);
$bundle = BundleReader::read(thirtyParts([
    'units' => ['power' => 'hp', 'torque' => 'lb-ft'],
    'shop' => $read('shop.json')['shop'],
    'platform' => $read('platforms/corvane-lyre-16t.json')['platform'],
    'parts' => $read('parts/corvane-lyre-16t.json')['parts'],
    'brief' => $read('jobs/skarn-hill-commuter/brief.json')['brief'],
    'plan' => $read('jobs/skarn-hill-commuter/plan.json')['plan'],
]));

/** Four stages with thirty parts at the end: the demo's three, one with what is left, and places that no car has. */
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

$likely = median(fn (): array => (new PlanEvaluator($bundle->catalog, $bundle->brief, $bundle->plan))->likelyPeaks());
$estimate = median(fn (): Estimate => Estimate::of($bundle));
$kept = Estimate::of($bundle);
$document = median(fn (): array => EstimateDocument::of($kept, $bundle->units));

// The straight loop: the same factors, families and one soft ceiling over bare arrays, for each stage and speed.
$gains = [];
foreach ($kept->results as $stage => $result) {
    foreach ($result->model->gains as $gain) {
        $rows = array_merge(...$gain->columns(null));
        $gains[$stage][$gain->family][] = [$gain->knots(), $rows, $gain->ceiling];
    }
}
$base = $kept->results[0]->likely->power();
$first = $kept->results[0]->likely->first;
$straight = median(function () use ($gains, $base, $first): float {
    $peak = 0.0;
    foreach ($gains as $families) {
        foreach ($base as $i => $watts) {
            $rpm = $first + 50.0 * $i;
            $factor = 1.0;
            foreach ($families as $members) {
                $open = 1.0;
                foreach ($members as [$knots, $values, $ceiling]) {
                    $k = 0;
                    while ($k < count($knots) - 2 && $knots[$k + 1] <= $rpm) {
                        $k++;
                    }
                    $t = min(1.0, max(0.0, ($rpm - $knots[$k]) / ($knots[$k + 1] - $knots[$k])));
                    $open *= 1.0 - min($ceiling, $values[$k] + ($values[$k + 1] - $values[$k]) * $t) / $ceiling;
                }
                $factor *= 1.0 + $ceiling * (1.0 - $open);
            }
            $gain = $watts * $factor - $watts;
            $room = 225_000.0 - $watts;
            $power = $gain > 0.0 ? $watts + ($gain ** -6 + $room ** -6) ** (-1 / 6) : $watts;
            $peak = max($peak, $power);
        }
    }

    return $peak;
});

printf("core, four stages, %d parts at the end\n", count($kept->last()->model->state->parts()));
printf("  straight loop over bare arrays          %7.2f ms    1.0\n", $straight);
printf("  likely values of the plan               %7.2f ms  %5.1f straight loops\n", $likely, $likely / $straight);
printf("  full estimate, 512 draws, shares, limits %6.2f ms  %5.1f straight loops, %.1f likely estimates\n", $estimate, $estimate / $straight, $estimate / $likely);
printf("  writing the document                    %7.2f ms  %5.1f straight loops\n", $document, $document / $straight);
printf("  most memory                             %7.1f MB\n", memory_get_peak_usage(true) / 1048576);
