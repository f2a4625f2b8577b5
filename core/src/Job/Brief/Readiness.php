<?php

namespace Pebblerun\Core\Job\Brief;

/** How far the conversation has come: which questions have an answer, by the brief document itself. */
final readonly class Readiness
{
    /** Questions in the order one asks them, with the places that answer them. */
    private const QUESTIONS = [
        ['purpose', 'what it is for', ['purpose']],
        ['car', 'mileage', ['car.mileage_km']],
        ['health', 'health check', ['came.checks', 'came.healthy']],
        ['baseline', 'own baseline', ['came.baseline']],
        ['target', 'target', ['target']],
        ['budget', 'budget', ['budget.total']],
        ['range', 'speeds really used', ['rpm_range']],
        ['fuels', 'fuels within reach', ['fuels']],
        ['use', 'road or track', ['use']],
        ['noise', 'noise', ['noise']],
        ['inspection', 'inspection', ['inspection']],
        ['warranty', 'warranty', ['warranty']],
        ['refuses', 'what is not accepted', ['refuses']],
        ['risk', 'risk', ['appetite']],
        ['told', 'warnings told', []],
    ];

    /** @param  list<array{key: string, words: string}>  $open  not answered yet */
    private function __construct(public int $of, public array $open) {}

    /** @param  array<string, mixed>  $brief  the brief document without its head */
    public static function of(array $brief): self
    {
        $open = [];
        foreach (self::QUESTIONS as [$key, $words, $places]) {
            $answered = $key === 'told' ? self::allTold($brief) : array_filter($places, fn (string $place): bool => self::at($brief, $place) !== null) !== [];
            if (! $answered) {
                $open[] = ['key' => $key, 'words' => $words];
            }
        }

        return new self(count(self::QUESTIONS), $open);
    }

    public function answered(): int
    {
        return $this->of - count($this->open);
    }

    /** @return array{answered: int, of: int, open: list<array{key: string, words: string}>} */
    public function toArray(): array
    {
        return ['answered' => $this->answered(), 'of' => $this->of, 'open' => $this->open];
    }

    /** @param  array<string, mixed>  $brief */
    private static function allTold(array $brief): bool
    {
        $told = is_array($brief['told'] ?? null) ? array_column($brief['told'], 'warning') : [];

        return array_diff(array_column(Warning::cases(), 'value'), $told) === [];
    }

    /** @param  array<string, mixed>  $brief */
    private static function at(array $brief, string $place): mixed
    {
        $here = $brief;
        foreach (explode('.', $place) as $step) {
            $here = is_array($here) ? ($here[$step] ?? null) : null;
        }

        return $here;
    }
}
