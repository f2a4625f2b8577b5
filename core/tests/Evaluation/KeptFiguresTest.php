<?php

namespace Pebblerun\Core\Tests\Evaluation;

use Pebblerun\Core\Advice\AnswerEffects;
use Pebblerun\Core\Advice\Candidates;
use Pebblerun\Core\Advice\Comparison;
use Pebblerun\Core\Advice\FindingAdvisor;
use Pebblerun\Core\Advice\Fixes;
use Pebblerun\Core\Advice\Movers;
use Pebblerun\Core\Advice\NextStep;
use Pebblerun\Core\Advice\Offer;
use Pebblerun\Core\Advice\Verdict;
use Pebblerun\Core\Advice\VerdictSubject;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\StageResult;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Job\Brief\Readiness;
use Pebblerun\Core\Tests\Exchange\AirBundle;
use Pebblerun\Core\Tests\Exchange\RichBundle;
use Pebblerun\Core\Tests\FigureRecord;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Everything the core says of a bundle that uses the whole format, as it was when the worked values and oracles beside this test
 * last agreed with it: no rule moves unseen. PEBBLERUN_KEEP=1 writes the figures anew, on purpose; look at the difference.
 */
final class KeptFiguresTest extends TestCase
{
    private const KEPT = __DIR__.'/kept';

    public static function variants(): iterable
    {
        foreach (array_keys(self::documents()) as $name) {
            yield $name => [$name];
        }
    }

    /** @return array<string, array<string, mixed>> */
    private static function documents(): array
    {
        return [...RichBundle::variants(), ...AirBundle::all()];
    }

    #[DataProvider('variants')]
    public function test_figures_and_codes_stay(string $name): void
    {
        $file = self::KEPT.'/'.preg_replace('/[^a-z]+/', '-', $name).'.json';
        $said = json_decode((string) json_encode(FigureRecord::of(self::said(self::documents()[$name]))), true);
        if (getenv('PEBBLERUN_KEEP') === '1') {
            file_put_contents($file, self::lines($said));
        }
        self::assertClose(json_decode((string) file_get_contents($file), true), $said, '');
    }

    /** @return array<string, mixed> */
    private static function said(array $document): array
    {
        $opened = BundleReader::read($document);
        $estimate = Estimate::of($opened->bundle);
        $candidates = new Candidates($estimate->planned);
        $fixes = new Fixes($estimate, $document['plan'], $opened->plan(...));
        $movers = new Movers($estimate->planned, new Offer($opened->bundle->brief, $estimate->evaluator));
        $last = count($estimate->results) - 1;

        return [
            'stages' => array_map(fn (StageResult $result): array => [
                $result->likely, $result->power, $result->torque, $result->atTarget, $result->plainSum, $result->shares, $result->ceilings, $result->readings,
                $result->findings, $result->usedGain, $result->soak, $result->state->build, $result->hot, $result->model->hardware->exhaust, $result->model->revLimit,
            ], $estimate->results),
            'money' => [$estimate->costs, $estimate->total(), $estimate->knee(), $estimate->oldestPrice(), array_map($estimate->costPerWatt(...), range(1, $last))],
            'summary' => [$estimate->weakest(), $estimate->isShort(), $estimate->reached(), array_map($estimate->torqueLoss(...), range(1, $last))],
            'verdict' => (new Verdict($estimate))->lines(),
            'fixes' => array_map(fn (VerdictSubject $subject): array => $fixes->of($subject), VerdictSubject::cases()),
            'candidates' => array_map(fn (string $slot): array => $candidates->parts($slot, min(3, $last)), ['map', 'filter', 'pipe', 'cooler', 'turbo', 'pump']),
            'fuels' => array_map($candidates->fuels(...), [1, $last]),
            'movers' => array_map(fn (LimitReading $reading): array => $movers->of($reading, $estimate->last()->model, $estimate->last()->state), $estimate->last()->readings),
            'advised' => FindingAdvisor::ofPlan($estimate),
            'answers' => (new AnswerEffects($estimate))->byQuestion(),
            'next' => NextStep::of(Readiness::of($document['brief']), $estimate),
            'compared' => (new Comparison($estimate, Estimate::of($opened->withPlan(['name' => 'other', 'stages' => array_slice($document['plan']['stages'], 0, 2)])->bundle)))->figures(),
        ];
    }

    /** @param  array<string, mixed>  $said  a line each, so that a difference shows where it is */
    private static function lines(array $said): string
    {
        $lines = array_map(fn (string $key, mixed $value): string => json_encode($key).': '.json_encode($value, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE), array_keys($said), $said);

        return "{\n".implode(",\n", $lines)."\n}\n";
    }

    private static function assertClose(mixed $kept, mixed $said, string $path): void
    {
        if (is_array($kept) && is_array($said)) {
            self::assertSame(array_keys($kept), array_keys($said), $path);
            foreach ($kept as $key => $value) {
                self::assertClose($value, $said[$key], "{$path}.{$key}");
            }
        } elseif (is_float($kept) || is_float($said)) {
            self::assertEqualsWithDelta($kept, $said, 1e-7 * max(1.0, abs((float) $kept)), $path);
        } else {
            self::assertSame($kept, $said, $path);
        }
    }
}
