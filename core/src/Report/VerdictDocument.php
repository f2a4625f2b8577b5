<?php

namespace Pebblerun\Core\Report;

use Pebblerun\Core\Advice\Message;
use Pebblerun\Core\Advice\Verdict;
use Pebblerun\Core\Advice\VerdictLine;
use Pebblerun\Core\Advice\VerdictSubject;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Report\Words\VerdictWords;

/** Writes the verdict over a plan. */
final readonly class VerdictDocument
{
    private VerdictWords $words;

    public function __construct(private Estimate $estimate, UnitFormatter $say)
    {
        $this->words = new VerdictWords($estimate->bundle->catalog, $say);
    }

    /** @return list<array<string, mixed>> every line with its reasons */
    public function whole(): array
    {
        return array_map(fn (VerdictLine $line): array => [
            'subject' => $line->subject->value,
            'status' => $line->status->value,
            'codes' => ['headline' => $line->headline->code->value, 'detail' => $line->detail?->code->value],
            ...$this->said($line),
            'reasons' => $this->reasonsOf($line),
        ], $this->lines());
    }

    /** @return list<array{subject: string, status: string, headline: string, detail: string}> what shows at once */
    public function glance(): array
    {
        return array_map(fn (VerdictLine $line): array => ['subject' => $line->subject->value, 'status' => $line->status->value, ...$this->said($line)], $this->lines());
    }

    /** @return list<array{code: string, sentence: string}> the reasons of one line */
    public function reasons(VerdictSubject $subject): array
    {
        foreach ($this->lines() as $line) {
            if ($line->subject === $subject) {
                return $this->reasonsOf($line);
            }
        }

        return [];
    }

    /** @return list<VerdictLine> */
    private function lines(): array
    {
        return (new Verdict($this->estimate))->lines();
    }

    /** @return array{headline: string, detail: string} */
    private function said(VerdictLine $line): array
    {
        return ['headline' => $this->words->of($line->headline), 'detail' => $line->detail === null ? '' : $this->words->of($line->detail)];
    }

    /** @return list<array{code: string, sentence: string}> */
    private function reasonsOf(VerdictLine $line): array
    {
        return array_map(fn (Message $reason): array => ['code' => (string) $reason->code->value, 'sentence' => $this->words->of($reason)], $line->reasons);
    }
}
