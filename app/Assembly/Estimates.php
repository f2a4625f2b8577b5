<?php

namespace App\Assembly;

use App\Models\User;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Exchange\OpenedBundle;
use Pebblerun\Core\Report\BenchDocument;
use Pebblerun\Core\Report\SummaryDocument;
use Pebblerun\Core\Report\UnitFormatter;

/** An estimated plan, ready to become documents. */
final readonly class Estimates
{
    private function __construct(public OpenedBundle $opened, public Estimate $estimate, private StoredFigures $figures) {}

    public static function of(OpenedBundle $opened): self
    {
        $figures = new StoredFigures;

        return new self($opened, Estimate::of($opened->bundle, $figures), $figures);
    }

    /** Keeps what it took to compute it, so that the next estimate of the same builds is quick. */
    public function keep(): void
    {
        $this->figures->write();
    }

    /** @return array<string, mixed> what the bench shows at once, in what a person reads in */
    public function bench(User $reader): array
    {
        return BenchDocument::of($this->estimate, self::formatter($this->opened, $reader));
    }

    /** @return array<string, mixed> what the counter shows */
    public function summary(Reading $reading): array
    {
        return SummaryDocument::of($this->estimate, $reading->formatter($this->opened));
    }

    public static function formatter(OpenedBundle $opened, User $reader): UnitFormatter
    {
        return Reading::of($reader)->formatter($opened);
    }
}
