<?php

namespace Pebblerun\Core\Advice\Library;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Parts\GainCase;
use Pebblerun\Core\Catalog\Parts\Part;

/** What differs between two states of a platform's library, the platform first, then part by part. */
final readonly class LibraryDifference
{
    public function __construct(private Catalog $before, private Catalog $after) {}

    /** @return list<LibraryChange> */
    public function all(): array
    {
        $changes = [...$this->baseline(), ...$this->limits()];
        foreach ($this->before->parts->all() + $this->after->parts->all() as $key => $part) {
            array_push($changes, ...$this->part((string) $key));
        }

        return $changes === [] && $this->before->platform != $this->after->platform ? [new LibraryChange(LibraryChangeCode::Platform)] : $changes;
    }

    /**
     * Of a plan: its parts alone, and the platform.
     *
     * @param  list<string>  $keys
     * @return list<LibraryChange>
     */
    public function of(array $keys): array
    {
        return [...$this->baseline(), ...$this->limits(), ...array_merge(...array_map($this->part(...), $keys))];
    }

    /** @return list<LibraryChange> */
    private function baseline(): array
    {
        $before = $this->before->platform->baseline;
        $after = $this->after->platform->baseline;

        return $before == $after ? [] : [new LibraryChange(LibraryChangeCode::Baseline, before: $before->peakPower()->value, after: $after->peakPower()->value)];
    }

    /** @return list<LibraryChange> */
    private function limits(): array
    {
        $before = array_column($this->before->platform->limits, null, 'key');
        $after = array_column($this->after->platform->limits, null, 'key');
        $changes = [];
        foreach ($after as $key => $limit) {
            $was = $before[$key] ?? null;
            if ($was === null) {
                $changes[] = new LibraryChange(LibraryChangeCode::LimitAdded, limit: $limit);
            } elseif ($was != $limit) {
                $changes[] = new LibraryChange(LibraryChangeCode::Limit, before: self::safe($was), after: self::safe($limit), limit: $limit);
            }
        }

        return [...$changes, ...array_values(array_map(fn (Limit $limit): LibraryChange => new LibraryChange(LibraryChangeCode::LimitGone, limit: $limit), array_diff_key($before, $after)))];
    }

    private static function safe(Limit $limit): float
    {
        return $limit->safeAt($limit->points[0][0]);
    }

    /** @return list<LibraryChange> */
    private function part(string $key): array
    {
        $before = $this->before->parts[$key] ?? null;
        $after = $this->after->parts[$key] ?? null;

        return match (true) {
            $before === null && $after === null => [],
            $before === null => [new LibraryChange(LibraryChangeCode::Added, $after)],
            $after === null => [new LibraryChange(LibraryChangeCode::Gone, $before)],
            $before == $after => [],
            default => $this->revised($before, $after),
        };
    }

    /** @return list<LibraryChange> */
    private function revised(Part $before, Part $after): array
    {
        $changes = [];
        if ($before->retired === null && $after->retired !== null) {
            $successor = $after->retired->successor;
            $changes[] = new LibraryChange(LibraryChangeCode::Retired, $after, successor: $successor === null ? null : $this->after->parts[$successor] ?? null);
        }
        array_push($changes, ...self::gains($before, $after));
        foreach ([
            [LibraryChangeCode::Price, $before->price->new->likely, $after->price->new->likely],
            [LibraryChangeCode::Hours, $before->work->hours, $after->work->hours],
        ] as [$code, $was, $is]) {
            $was === $is || $changes[] = new LibraryChange($code, $after, $was, $is);
        }
        if ($before->needs->requires != $after->needs->requires || $before->needs->conflicts != $after->needs->conflicts) {
            $changes[] = new LibraryChange(LibraryChangeCode::Needs, $after);
        }

        return $changes === [] ? [new LibraryChange(LibraryChangeCode::Other, $after)] : $changes;
    }

    /** @return list<LibraryChange> the first case that differs; more of them are said as one */
    private static function gains(Part $before, Part $after): array
    {
        if ($before->gains == $after->gains) {
            return [];
        }
        if (array_map(fn (GainCase $case): array => [$case->when, $case->on], $before->gains) != array_map(fn (GainCase $case): array => [$case->when, $case->on], $after->gains)) {
            return [new LibraryChange(LibraryChangeCode::Cases, $after)];
        }
        foreach ($before->gains as $i => $was) {
            $is = $after->gains[$i];
            if ($was->power->likely !== $is->power->likely) {
                return [new LibraryChange(LibraryChangeCode::Power, $after, $was->power->likely, $is->power->likely)];
            }
            if ($was->torque->likely !== $is->torque->likely) {
                return [new LibraryChange(LibraryChangeCode::Torque, $after, $was->torque->likely, $is->torque->likely)];
            }
        }

        return [new LibraryChange(LibraryChangeCode::Cases, $after)];
    }
}
