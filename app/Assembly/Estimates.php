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
 * before, that is given back, and it is estimated only when somebody asks for more.
 */
final class Estimates
{
    private readonly StoredFigures $figures;

    private ?OpenedBundle $opened = null;

    private ?Estimate $estimate = null;

    /** @var ?array<string, mixed> */
    private ?array $bench = null;

    /** @var ?array{bench: array<string, mixed>, summary: array<string, mixed>, due: string, oldest_price: ?string} */
    private ?array $answer = null;

    /**
     * @param  Closure(): OpenedBundle  $open
     * @param  ?string  $key  of the answer in the reader's units; null where nobody asks for one
     */
    private function __construct(private readonly Closure $open, private readonly ?string $key = null)
    {
        $this->figures = new StoredFigures;
    }

    public static function of(OpenedBundle $opened): self
    {
        return new self(fn (): OpenedBundle => $opened);
    }

    /**
     * Of a plan that somebody has on the bench.
     *
     * @param  array<string, mixed>  $plan  the plan document
     * @param  ?Closure(): OpenedBundle  $open
     */
    public static function shown(CustomerJob $job, LibraryVersion $library, array $plan, User $reader, ?Closure $open = null): self
    {
        $key = hash('xxh128', Summaries::key($job, $library, $plan).Reading::of($reader->setRelation('shop', $job->shop))->name());
        $estimates = new self($open ?? fn (): OpenedBundle => Bundles::read($job, $library, $plan), $key);
        $estimates->answer = KeptAnswers::known($key);

        return $estimates;
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
        return $this->bench ??= $this->answer['bench'] ?? BenchDocument::of($this->estimate(), self::formatter($this->opened(), $reader));
    }

    /** @return array<string, mixed> what the counter shows */
    public function summary(Reading $reading): array
    {
        return SummaryDocument::of($this->estimate(), $reading->formatter($this->opened()));
    }

    /**
     * Keeps what it took to compute it, and the answer, so that the next one of the same builds is quick.
     *
     * @return array<string, mixed> what the counter shows, in the shop's units
     */
    public function keep(CustomerJob $job, User $reader): array
    {
        if ($this->answer !== null) {
            return $this->answer['summary'];
        }
        $summary = $this->summary(Reading::ofShop($job->shop));
        $this->figures->write();
        if ($this->key !== null) {
            KeptAnswers::keep($this->key, ['bench' => $this->bench($reader), 'summary' => $summary, 'due' => $this->due($job->brief)->value, 'oldest_price' => $this->oldestPrice()]);
        }

        return $summary;
    }

    public static function formatter(OpenedBundle $opened, User $reader): UnitFormatter
    {
        return Reading::of($reader)->formatter($opened);
    }
}
