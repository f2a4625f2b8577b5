<?php

namespace Pebblerun\Formats\PriceList;

/** What lines of one price list do to the library, in their order: a line may mean what one before it meant. */
final class LineJudge
{
    /** As the part that a line means where several are called by its maker and name. */
    public const SEVERAL_PARTS = -1;

    public const SEVERAL = 'Several parts are called this: choose which are meant, or add a column with our own key (it is in the table of parts that the library writes).';

    private const NO_KEY = 'There is no part with the key "%s" here.';

    private const UNKNOWN = 'The article "%s" is not known here, and the line says no maker and name: add the part first, or give both.';

    private const TWICE = 'The same part is on line %d: leave one of them out.';

    /** @var array<string, int> first line by what it means */
    private array $first = [];

    /**
     * @param  int  $line  its number
     * @param  string  $fault  what the line says wrong by itself; empty for none
     * @param  ?string  $key  our own, where the line says it
     * @param  string  $called  maker and name, as parts are compared by; empty unless it says both
     * @param  ?int  $part  that it means; null for none that is known, SEVERAL_PARTS for more than one
     * @return string why it is refused; empty where it is taken
     */
    public function refusal(int $line, string $fault, ?string $key, string $article, string $called, ?int $part): string
    {
        $why = match (true) {
            $fault !== '' => $fault,
            $part === self::SEVERAL_PARTS => self::SEVERAL,
            $part === null && $key !== null => sprintf(self::NO_KEY, $key),
            $part === null && $called === '' => sprintf(self::UNKNOWN, $article),
            default => '',
        };
        if ($why !== '') {
            return $why;
        }
        $first = $this->first[$part === null ? "called {$called}" : "part {$part}"] ??= $line;

        return $first === $line ? '' : sprintf(self::TWICE, $first);
    }

    /**
     * What a line that is taken does.
     *
     * @param  ?int  $part  that it means; null: a new one
     * @param  ?float  $new  price that it says
     * @param  ?float  $used  likewise; null leaves it as it is
     * @param  ?float  $newNow  price that holds
     * @param  ?float  $usedNow  likewise
     */
    public static function outcome(?int $part, ?float $new, ?float $used, ?float $newNow, ?float $usedNow): LineOutcome
    {
        return match (true) {
            $part === null => LineOutcome::Added,
            $newNow === $new && ($used === null || $used === $usedNow) => LineOutcome::Unchanged,
            default => LineOutcome::Changed,
        };
    }
}
