<?php

namespace Pebblerun\Core\Report;

use Pebblerun\Core\Advice\Candidate;
use Pebblerun\Core\Advice\Library\PartPreview;
use Pebblerun\Core\Advice\Library\PreviewBuild;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Job\Bundle;

/** Writes what a part adds on a platform's reference builds, and what it needs there. */
final readonly class PartPreviewDocument
{
    private CandidateDocument $candidates;

    public function __construct(private Bundle $bundle, UnitFormatter $say)
    {
        $this->candidates = new CandidateDocument($bundle->catalog, $say);
    }

    /** @return list<array<string, mixed>> valid against partPreview of schemas/answers.json */
    public function of(Part $part): array
    {
        return array_map(fn (array $shown): array => $this->build(...$shown), (new PartPreview($this->bundle))->of($part));
    }

    /**
     * @param  list<Part>  $fitted
     * @return array<string, mixed>
     */
    private function build(PreviewBuild $build, array $fitted, Candidate $candidate): array
    {
        $written = $this->candidates->of($candidate);

        return [
            'build' => match ($build) {
                PreviewBuild::Stock => 'On a stock car',
                PreviewBuild::Mapped => 'With a map',
                PreviewBuild::Prepared => 'With everything it needs',
            },
            'with' => implode(', ', array_map(fn (Part $part): string => $part->name, $fitted)),
            'adds' => $written['adds'],
            'adds_torque' => $written['adds_torque'],
            'costs' => $written['costs'],
            'needs' => array_column($written['also_needs'], 'sentence'),
            'ceilings' => $written['ceilings'],
        ];
    }
}
