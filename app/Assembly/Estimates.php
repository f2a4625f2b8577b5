<?php

namespace App\Assembly;

use App\Models\CustomerJob;
use App\Models\LibraryVersion;
use App\Models\User;
use Closure;
use Pebblerun\Core\Advice\NextStep;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Exchange\OpenedBundle;
use Pebblerun\Core\Job\Brief\Readiness;
use Pebblerun\Core\Report\BenchDocument;
use Pebblerun\Core\Report\SummaryDocument;
use Pebblerun\Core\Report\UnitFormatter;

/**
 * An estimated plan, ready to become documents. Where the very same plan under the same brief, library and rules was answered
 * before, that is given back; else the estimator is asked, and it is estimated here only when somebody asks for more.
 *
 * @phpstan-import-type KeptAnswer from KeptAnswers
 * @phpstan-import-type WarmAnswer from WarmEstimates
 */
final class Estimates
{
    private readonly StoredFigures $figures;

    private ?OpenedBundle $opened = null;

    private ?Estimate $estimate = null;

    /** @var ?KeptAnswer that was there before, that the estimator gave, or that was made to be kept */
    private ?array $answer = null;

    private bool $isKept = false;

    /**
     * @param  Closure(): OpenedBundle  $open
     * @param  ?string  $key  of the answer in the reader's units; null where nobody asks for one
     */
    private function __construct(private readonly Closure $open, private readonly ?string $key)
    {
        $this->figures = new StoredFigures;
    }

    /**
     * @param  OpenedBundle|Closure(): OpenedBundle  $opened
     * @param  ?string  $key  of the answer in the reader's units; null where nobody asks for one
     */
    public static function of(OpenedBundle|Closure $opened, ?string $key = null): self
    {
        return new self($opened instanceof Closure ? $opened : fn (): OpenedBundle => $opened, $key);
    }

    /**
     * Of a plan that somebody has on the bench.
     *
     * @param  array<string, mixed>  $plan  the plan document
     */
    public static function shown(CustomerJob $job, LibraryVersion $library, array $plan, User $reader): self
    {
        $estimates = self::here($job, $library, $plan, $reader, fn (): OpenedBundle => Bundles::read($job, $library, $plan));
        $answer = $estimates->isKept ? null : Estimator::ask($job, $library, $plan, Reading::of($reader));
        $answer === null || $estimates->take($answer);

        return $estimates;
    }

    /**
     * The same without the estimator.
     *
     * @param  array<string, mixed>  $plan  the plan document
     * @param  OpenedBundle|Closure(): OpenedBundle  $opened  of that plan
     */
    public static function here(CustomerJob $job, LibraryVersion $library, array $plan, User $reader, OpenedBundle|Closure $opened): self
    {
        $estimates = self::of($opened, self::keyOf($job, $library, $plan, $reader));
        $estimates->answer = KeptAnswers::known((string) $estimates->key);
        $estimates->isKept = $estimates->answer !== null;

        return $estimates;
    }

    /**
     * Of a plan that the estimator was asked about.
     *
     * @param  WarmAnswer  $answer
     */
    public static function answered(CustomerJob $job, LibraryVersion $library, array $answer, User $reader): self
    {
        $estimates = self::of(fn (): OpenedBundle => Bundles::read($job, $library, $answer['document']), self::keyOf($job, $library, $answer['document'], $reader));
        $estimates->take($answer);

        return $estimates;
    }

    /** @param  array<string, mixed>  $plan  the plan document */
    private static function keyOf(CustomerJob $job, LibraryVersion $library, array $plan, User $reader): string
    {
        return hash('xxh128', Summaries::key($job, $library, $plan).Reading::of($reader->setRelation('shop', $job->shop))->name());
    }

    /** @param  WarmAnswer  $answer */
    private function take(array $answer): void
    {
        $this->answer = $answer['answer'];
        $this->isKept = ! $answer['isNew'];
        $this->figures->keep($answer['figures']);
    }

    public function opened(): OpenedBundle
    {
        return $this->opened ??= ($this->open)();
    }

    public function estimate(): Estimate
    {
        return $this->estimate ??= Estimate::of($this->opened()->bundle, $this->figures);
    }

    /** @param  array<string, mixed>  $brief  the brief document */
    public function due(array $brief): NextStep
    {
        return $this->answer === null ? NextStep::of(Readiness::of($brief), $this->estimate()) : NextStep::from($this->answer['due']);
    }

    public function oldestPrice(): ?string
    {
        return $this->answer === null ? $this->estimate()->oldestPrice() : $this->answer['oldest_price'];
    }

    /** @return array<string, mixed> what the bench shows at once, in what its one reader reads in */
    public function bench(User $reader): array
    {
        return $this->answer['bench'] ?? BenchDocument::of($this->estimate(), self::formatter($this->opened(), $reader));
    }

    /** @return array<string, mixed> what the counter shows */
    public function summary(Reading $reading): array
    {
        return SummaryDocument::of($this->estimate(), $reading->formatter($this->opened()));
    }

    /**
     * What is worth keeping, so that the next one of the same builds is quick.
     *
     * @return array{figures: list<array{key: string, figures: list<mixed>}>, answers: list<array{key: string, answer: KeptAnswer}>, summary: array<string, mixed>} new rows of stage_figures and kept_answers, and what the counter shows, in the shop's units
     */
    public function toKeep(CustomerJob $job, User $reader): array
    {
        $answer = $this->key === null ? null : $this->answer ??= KeptAnswers::of($this->estimate(), $job->brief, self::formatter($this->opened(), $reader), Reading::ofShop($job->shop)->formatter($this->opened()));

        return [
            'figures' => $this->figures->rows(),
            'answers' => $answer === null || $this->isKept ? [] : [['key' => $this->key, 'answer' => $answer]],
            'summary' => $answer['summary'] ?? $this->summary(Reading::ofShop($job->shop)),
        ];
    }

    public static function formatter(OpenedBundle $opened, User $reader): UnitFormatter
    {
        return Reading::of($reader)->formatter($opened);
    }
}
