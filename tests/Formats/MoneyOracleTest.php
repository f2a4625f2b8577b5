<?php

namespace Tests\Formats;

use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Report\EstimateDocument;
use Pebblerun\Formats\DocumentReader;
use Pebblerun\Formats\Folder;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Money once more, from the catalog's own JSON and with a till's arithmetic: seeded plans of every platform, to the cent. */
final class MoneyOracleTest extends TestCase
{
    private const DEMO = __DIR__.'/../../demo';

    public static function plans(): iterable
    {
        foreach (['skarn-hill-commuter', 'up-the-hill', 'caravan-tourer', 'quiet-blower'] as $job) {
            for ($seed = 1; $seed <= 6; $seed++) {
                yield "{$job} {$seed}" => [$job, $seed];
            }
        }
    }

    #[DataProvider('plans')]
    public function test_a_plan_costs_what_its_bill_adds_up_to(string $job, int $seed): void
    {
        $bundle = (new Folder(self::DEMO, DocumentReader::standard()))->bundle($job);
        $random = new Randomizer(new Mt19937($seed));
        $catalog = array_column($bundle['parts'], null, 'key');
        /** @var non-empty-list<string> $keys */
        $keys = array_keys($catalog);
        $bundle['plan'] = $this->plan($random, $keys, $bundle['plan']['stages'][0]['fuel']);
        $opened = DocumentReader::standard()->open($bundle);
        $stages = EstimateDocument::of(Estimate::of($opened->bundle), $opened->units)['stages'];
        $inAll = 0;
        foreach ($bundle['plan']['stages'] as $i => $stage) {
            $spend = $this->bill($this->fitted($stage['changes'], $catalog), $catalog, $bundle['shop'], $bundle['plan']['settings']['price_basis']);
            $inAll += $spend;
            self::assertSame($spend, (int) round(100 * $stages[$i + 1]['money']['spend']['likely']), "stage {$i}");
            self::assertSame($inAll, (int) round(100 * $stages[$i + 1]['money']['cumulative']['likely']), "up to stage {$i}");
        }
    }

    /**
     * @param  non-empty-list<string>  $parts
     * @return array<string, mixed>
     */
    private function plan(Randomizer $random, array $parts, string $fuel): array
    {
        $stages = [];
        for ($i = 1; $i <= 3; $i++) {
            $changes = [];
            foreach ($random->pickArrayKeys($parts, $random->getInt(1, 7)) as $at) {
                $changes[] = ['fit' => $parts[$at]] + match ($random->getInt(0, 5)) {
                    0 => ['basis' => 'used'],
                    1 => ['basis' => 'owned'],
                    2 => ['agreed' => $random->getInt(1, 90_000) / 100],
                    3 => ['quantity' => $random->getInt(1, 3)],
                    default => [],
                };
            }
            $stages[] = ['key' => "s{$i}", 'name' => '', 'fuel' => $fuel, 'changes' => $changes];
        }

        return ['name' => 'any', 'settings' => ['price_basis' => $random->getInt(0, 1) === 1 ? 'used' : 'new'], 'stages' => $stages];
    }

    /**
     * What no later choice of the stage takes the place of; of a kit as long as a place of it is left.
     *
     * @param  list<array<string, mixed>>  $changes
     * @param  array<string, array<string, mixed>>  $catalog
     * @return list<array<string, mixed>>
     */
    private function fitted(array $changes, array $catalog): array
    {
        return array_values(array_filter($changes, function (array $change, int $i) use ($changes, $catalog): bool {
            $slots = $catalog[$change['fit']]['slots'];
            $later = array_merge([], ...array_map(fn (array $other): array => $catalog[$other['fit']]['slots'], array_slice($changes, $i + 1)));

            return isset($catalog[$change['fit']]['contains']) ? array_diff($slots, $later) !== [] : array_intersect($slots, $later) === [];
        }, ARRAY_FILTER_USE_BOTH));
    }

    /**
     * @param  list<array<string, mixed>>  $changes
     * @param  array<string, array<string, mixed>>  $catalog
     * @param  array<string, mixed>  $shop
     * @return int cents, tax and reserve in
     */
    private function bill(array $changes, array $catalog, array $shop, string $basis): int
    {
        $gross = 0;
        foreach ($changes as $i => $change) {
            $part = $catalog[$change['fit']];
            $price = $part['price'];
            $piece = match (true) {
                isset($change['agreed']) => $change['agreed'],
                ($change['basis'] ?? $basis) === 'owned' => 0,
                ($change['basis'] ?? $basis) === 'used' => $this->likely($price['used'] ?? $price['new']),
                default => $this->likely($price['new']),
            };
            $goods = $this->cents($piece) * ($change['quantity'] ?? 1) + $this->cents($this->likely($price['consumables'] ?? 0));
            $hours = ($price['hours'] ?? 0) - ($this->paysAccess($i, $changes, $catalog) ? 0 : ($price['access_hours'] ?? 0));
            $net = $goods + (int) round(100 * $hours * $shop['labour_rate']) + (int) round(100 * ($part['map']['dyno_hours'] ?? 0) * $shop['dyno_rate']);
            $gross += $net + (int) round($net * $shop['tax_percent'] / 100);
        }

        return $gross + (int) round($gross * $shop['reserve_percent'] / 100);
    }

    /**
     * Of the parts of one access group in a stage the one with the longest access pays it, the first of equals.
     *
     * @param  list<array<string, mixed>>  $changes
     * @param  array<string, array<string, mixed>>  $catalog
     */
    private function paysAccess(int $here, array $changes, array $catalog): bool
    {
        $of = fn (int $i): array => $catalog[$changes[$i]['fit']]['price'];
        $group = $of($here)['access_group'] ?? null;
        if ($group === null) {
            return true;
        }
        foreach (array_keys($changes) as $other) {
            if ($other === $here || ($of($other)['access_group'] ?? null) !== $group) {
                continue;
            }
            $longer = ($of($other)['access_hours'] ?? 0) <=> ($of($here)['access_hours'] ?? 0);
            if ($longer > 0 || ($longer === 0 && $other < $here)) {
                return false;
            }
        }

        return true;
    }

    /** @param  float|int|list<float|int>  $amount  one, or low, likely and high */
    private function likely(float|int|array $amount): float|int
    {
        return is_array($amount) ? $amount[1] : $amount;
    }

    private function cents(float|int $amount): int
    {
        return (int) round(100 * $amount);
    }
}
