<?php

namespace Pebblerun\Core\Math;

/**
 * Corners of a set of draws, for bounds of percentiles without drawing. A row sets every uncertain thing to a value that few draws pass.
 * In all the other draws everything is on one side of its corner, so what rises with everything is too: a figure above which k draws
 * may be, and that no more than k draws pass in anything, bounds the percentile from above; and from below likewise.
 *
 * Source: union bound over order statistics; it asks nothing of how things are tied.
 */
final class CornerDraws implements Draws
{
    /** How the draws that may pass are shared: doubt of the model, doubt of the curve, and all else together. The best of them counts. */
    private const SPLITS = [[1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.6, 0.4, 0.0], [0.45, 0.2, 0.35], [0.25, 0.1, 0.65]];

    private ?self $falling = null;

    /** @var list<array{int, int, int}> draws that may pass: in the doubt of the model, of the curve, in each of the others; of every row */
    private readonly array $passing;

    /** @var list<bool> whether a row bounds from above */
    private readonly array $above;

    /**
     * @param  non-empty-list<float>  $shares  percentiles, 0–1: each is bounded from above and from below
     * @param  positive-int  $others  parts and ceilings that have a range
     * @param  bool  $curveFalls  for figures that fall as the whole curve is scaled up
     */
    public function __construct(private readonly RisingDraws $of, private readonly array $shares, private readonly int $others, private readonly bool $curveFalls = false, private readonly bool $turned = false)
    {
        $passing = $above = [];
        foreach ($shares as $share) {
            $below = min($of->count() - 1, (int) floor($share * $of->count()));
            foreach ([$of->count() - 1 - $below, $below] as $side => $room) {
                foreach (self::SPLITS as [$model, $curve, $rest]) {
                    $passing[] = [(int) floor($model * $room), (int) floor($curve * $room), (int) floor($rest * $room / $others)];
                    $above[] = $side === 0;
                }
            }
        }
        $this->passing = $passing;
        $this->above = $above;
    }

    public function count(): int
    {
        return max(1, count($this->passing));
    }

    public function part(string $key): array
    {
        return $this->corners($this->of->part($key), 2);
    }

    public function ceiling(string $key): array
    {
        return $this->corners($this->of->ceiling($key), 2);
    }

    public function curve(): array
    {
        return $this->corners($this->of->curve(), 1, $this->curveFalls);
    }

    public function model(): array
    {
        return $this->corners($this->of->model(), 0);
    }

    /** The other end of everything, which no draw passes. */
    public function falling(): Draws
    {
        if ($this->falling === null) {
            $this->falling = new self($this->of, $this->shares, $this->others, $this->curveFalls, ! $this->turned);
            $this->falling->falling = $this;
        }

        return $this->falling;
    }

    /**
     * The tightest of the bounds.
     *
     * @param  int  $share  which of the percentiles
     * @param  list<float>  $rows  a figure that rises with everything, of each row
     * @return array{float, float} not above the percentile, and not below it
     */
    public static function bounds(int $share, array $rows): array
    {
        $splits = count(self::SPLITS);
        $at = 2 * $share * $splits;

        return [max(array_slice($rows, $at + $splits, $splits) ?: [-INF]), min(array_slice($rows, $at, $splits) ?: [INF])];
    }

    /**
     * @param  list<float>  $values  rising
     * @param  0|1|2  $which  of what may pass
     * @param  bool  $falls  turned once more
     * @return list<float>
     */
    private function corners(array $values, int $which, bool $falls = false): array
    {
        $corners = [];
        $last = count($values) - 1;
        foreach ($this->passing as $row => $passing) {
            // What falls where others rise is taken at its end.
            $room = $this->turned ? 0 : $passing[$which];
            $corners[] = $values[$this->above[$row] !== ($this->turned !== $falls) ? $last - $room : $room];
        }

        return $corners;
    }
}
