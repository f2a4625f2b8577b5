<?php

namespace Pebblerun\Core\Job\Commands;

use Pebblerun\Core\Catalog\Catalog;

/**
 * What one change of a plan did, taken back while all that came after it stays: every place that it touched becomes what it was
 * before. A place that was changed again since is in the way.
 *
 * @phpstan-import-type PlanDocument from PlanDraft
 * @phpstan-import-type StageDocument from PlanDraft
 * @phpstan-import-type ChangeDocument from PlanDraft
 */
final readonly class PlanReversal
{
    /**
     * @param  ?PlanDocument  $document  null where something is in the way
     * @param  array<string, Description>  $inTheWay  what stands now in places that were changed again, by place
     */
    private function __construct(public ?array $document, public array $inTheWay) {}

    /**
     * @param  PlanDocument  $from  as it was after the change
     * @param  PlanDocument  $to  as it was before
     * @param  PlanDocument  $now
     */
    public static function of(array $from, array $to, array $now, Catalog $catalog): self
    {
        $places = new PlanPlaces($catalog);
        $others = $places->changed($from, $now);
        $inTheWay = PlanPlaces::shared($others, $places->changed($from, $to));

        return $inTheWay === [] ? new self(self::applied($from, $to, $now), []) : new self(null, $inTheWay);
    }

    /**
     * @param  PlanDocument  $from
     * @param  PlanDocument  $to
     * @param  PlanDocument  $now
     * @return PlanDocument
     */
    private static function applied(array $from, array $to, array $now): array
    {
        $before = array_column($from['stages'], null, 'key');
        $after = array_column($to['stages'], null, 'key');
        $stages = array_column($now['stages'], null, 'key');
        // Where the change moved, added or removed stages, nobody else did since: the row is as it was.
        $row = array_keys($before) === array_keys($after) ? array_keys($stages) : array_keys($after);
        $settings = self::fields($from['settings'] ?? [], $to['settings'] ?? [], $now['settings'] ?? []);

        return [
            ...$now,
            'name' => $from['name'] === $to['name'] ? $now['name'] : $to['name'],
            ...(isset($now['settings']) || $settings !== [] ? ['settings' => $settings] : []),
            'stages' => array_map(fn (string|int $key): array => match (true) {
                ! isset($stages[$key]) => $after[$key],
                isset($before[$key], $after[$key]) => self::stage($before[$key], $after[$key], $stages[$key]),
                default => $stages[$key],
            }, $row),
        ];
    }

    /**
     * @param  StageDocument  $from
     * @param  StageDocument  $to
     * @param  StageDocument  $now
     * @return StageDocument
     */
    private static function stage(array $from, array $to, array $now): array
    {
        $lists = ['changes' => true, 'accepts' => true];
        $stage = self::fields(array_diff_key($from, $lists), array_diff_key($to, $lists), $now);
        foreach (array_keys($lists) as $list) {
            $stage[$list] = self::entries($from[$list] ?? [], $to[$list] ?? [], $now[$list] ?? []);
        }
        if ($stage['accepts'] === []) {
            unset($stage['accepts']);
        }

        /** @var StageDocument */
        return $stage;
    }

    /**
     * @param  array<string, mixed>  $from
     * @param  array<string, mixed>  $to
     * @param  array<string, mixed>  $now
     * @return array<string, mixed>
     */
    private static function fields(array $from, array $to, array $now): array
    {
        foreach (array_keys($from + $to) as $key) {
            if (($from[$key] ?? null) === ($to[$key] ?? null)) {
                continue;
            }
            if (isset($to[$key])) {
                $now[$key] = $to[$key];
            } else {
                unset($now[$key]);
            }
        }

        return $now;
    }

    /**
     * Those of before in their order, then those that came since.
     *
     * @template Entry of array<string, mixed>
     *
     * @param  list<Entry>  $from
     * @param  list<Entry>  $to
     * @param  list<Entry>  $now
     * @return list<Entry>
     */
    private static function entries(array $from, array $to, array $now): array
    {
        $back = array_filter($to, fn (array $one): bool => in_array($one, $now, true) || ! in_array($one, $from, true));
        $others = array_filter($now, fn (array $one): bool => ! in_array($one, $to, true) && ! in_array($one, $from, true));

        return [...array_values($back), ...array_values($others)];
    }
}
