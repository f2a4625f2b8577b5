<?php

namespace Tests\Formats;

use Pebblerun\Core\Advice\Library\ClaimedAir;
use Pebblerun\Core\Advice\Library\LibraryChange;
use Pebblerun\Core\Advice\Library\LibraryDifference;
use Pebblerun\Core\Advice\Library\LibraryDoubt;
use Pebblerun\Core\Advice\Library\PartPreview;
use Pebblerun\Core\Advice\Library\PartsCheck;
use Pebblerun\Core\Advice\Library\PlatformCheck;
use Pebblerun\Core\Advice\Library\PreviewBuild;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Exchange\OpenedBundle;
use Pebblerun\Core\Job\NewJob;
use Pebblerun\Core\Job\Starting\NewPlatform;
use Pebblerun\Core\Physics\Driveline\UsualLoss;
use Pebblerun\Core\Report\UnitFormatter;
use Pebblerun\Core\Report\Words\LibraryChangeWords;
use Pebblerun\Core\Report\Words\LibraryDoubtWords;
use Pebblerun\Core\Units\UnitSystem;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What is hard to believe in the library, what differs between two of its states, what a part adds on reference builds. */
final class LibraryCheckTest extends TestCase
{
    private const LYRE = 'corvane-lyre-16t';

    /** @return array<string, mixed> */
    private static function read(string $folder, string $key): array
    {
        return json_decode((string) file_get_contents(dirname(__DIR__, 2)."/demo/{$folder}{$key}.json"), true);
    }

    /**
     * @param  ?callable(array<string, mixed>): array<string, mixed>  $platform
     * @param  ?callable(array<string, array<string, mixed>>): array<string, array<string, mixed>>  $parts  by key
     */
    private static function opened(?callable $platform = null, ?callable $parts = null, string $key = self::LYRE, ?int $year = null): OpenedBundle
    {
        $shop = self::read('', 'shop');
        $document = self::read('platforms/', $key)['platform'];
        $listed = array_column(self::read('parts/', $key)['parts'], null, 'key');

        return BundleReader::trusted(NewJob::bundle($platform === null ? $document : $platform($document), array_values($parts === null ? $listed : $parts($listed)), $shop['shop'], $shop['units'], $year));
    }

    /** @return iterable<string, array{string, ?int}> */
    public static function platforms(): iterable
    {
        foreach (glob(dirname(__DIR__, 2).'/demo/platforms/*.json') ?: [] as $file) {
            yield basename($file, '.json') => [basename($file, '.json'), null];
        }
        yield 'a Lyre of 2018' => [self::LYRE, 2018];
        yield 'a Stag of 2014' => ['brackmoor-stag-28d', 2014];
    }

    #[DataProvider('platforms')]
    public function test_nothing_of_the_demo_is_hard_to_believe(string $key, ?int $year): void
    {
        $opened = self::opened(key: $key, year: $year);
        $say = new LibraryDoubtWords(UnitFormatter::for($opened->bundle, $opened->units));
        $stock = Estimate::of($opened->bundle);
        $doubts = [...PlatformCheck::of($stock), ...(new PartsCheck($opened->bundle->catalog))->all(), ...ClaimedAir::of($stock, array_values($opened->bundle->catalog->parts->all()))];
        self::assertSame([], array_map(fn (LibraryDoubt $doubt): string => "{$doubt->part} {$say->of($doubt)}", $doubts));
    }

    public function test_a_blower_that_claims_more_than_its_air_is_pointed_out_with_the_boost_it_asks(): void
    {
        $claims = function (int $power): array {
            $opened = self::opened(parts: fn (array $parts): array => array_map(fn (array $part): array => $part['key'] === 'kolvane-mer-pd' ? [...$part, 'gains' => [[...$part['gains'][0], 'power' => [$power - 10, $power, $power + 10]]]] : $part, $parts), key: 'ondra-meridian-48');
            $say = new LibraryDoubtWords(UnitFormatter::for($opened->bundle, $opened->units));

            return array_map($say->of(...), ClaimedAir::of(Estimate::of($opened->bundle), [$opened->bundle->catalog->part('kolvane-mer-pd')]));
        };
        self::assertSame([], $claims(90));
        self::assertMatchesRegularExpression('/^It claims 1\.[12]\d times .* A pressure ratio of [12]\.\d\d at the power peak would explain it\.$/', $claims(190)[0] ?? '');
        self::assertStringContainsString('No boost explains this claim.', $claims(900)[0] ?? '');
    }

    /** @return iterable<string, array{callable, string, string}> what is changed of the platform, the doubt, a part of its words */
    public static function platformDoubts(): iterable
    {
        $torque = fn (float $by): callable => fn (array $platform): array => [...$platform, 'baseline' => [...$platform['baseline'], 'points' => array_map(fn (array $point): array => [...$point, 'torque' => $by * $point['torque']], $platform['baseline']['points'])]];
        yield 'too much torque' => [$torque(1.2), 'fills-too-much', 'its torque is too high there'];
        yield 'too little torque' => [$torque(0.7), 'fills-too-little', 'its torque is too low there'];
        yield 'a small engine' => [fn (array $platform): array => [...$platform, 'engine' => [...$platform['engine'], 'displacement' => 1.0]], 'hard-to-believe', 'bar and'];
        yield 'a claim below the wheels' => [fn (array $platform): array => [...$platform, 'claimed' => ['power' => 200]], 'claim-below-wheels', '200 at the crank'];
        yield 'no limits' => [fn (array $platform): array => [...$platform, 'limits' => []], 'no-limits', 'no plan will tell what breaks'];
        yield 'no fuel system' => [fn (array $platform): array => array_diff_key($platform, ['fuel_system' => 1]), 'no-fuel-system', 'pumps and injectors'];
        yield 'fuel as a ceiling' => [fn (array $platform): array => [...$platform, 'ceilings' => [['key' => 'x', 'name' => 'Pump', 'kind' => 'hard', 'quantity' => 'power', 'at' => 'wheels', 'value' => 300, 'when' => ['ethanol' => ['at_least' => 30]], 'evidence' => ['kind' => 'judgement']]]], 'fuel-as-ceiling', 'give pumps and injectors as flow'];
        yield 'a clutch that hardly holds' => [fn (array $platform): array => [...$platform, 'limits' => array_map(fn (array $limit): array => $limit['key'] === 'clutch' ? [...$limit, 'safe' => 235] : $limit, $platform['limits'])], 'stock-near-limit', 'Clutch: the stock car uses 96 %'];
    }

    #[DataProvider('platformDoubts')]
    public function test_a_platform_that_cannot_be_is_pointed_out(callable $change, string $code, string $words): void
    {
        $opened = self::opened($change);
        $doubts = array_values(array_filter(PlatformCheck::of(Estimate::of($opened->bundle)), fn (LibraryDoubt $doubt): bool => $doubt->code->value === $code));
        self::assertNotSame([], $doubts);
        self::assertStringContainsString($words, (new LibraryDoubtWords(UnitFormatter::for($opened->bundle, $opened->units)))->of($doubts[0]));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> what is changed of the panel filter, and the doubt */
    public static function partDoubts(): iterable
    {
        $case = ['power' => [0, 1, 3], 'torque' => [0, 1, 3], 'evidence' => ['kind' => 'maker']];
        yield 'the name of another' => [['name' => 'Sealed  intake-box'], 'same-name'];
        yield 'no price' => [['price' => ['new' => 0, 'hours' => 0.2]], 'no-price'];
        yield 'minutes for hours' => [['price' => ['new' => 40, 'hours' => 90]], 'many-hours'];
        yield 'no spread' => [['gains' => [[...$case, 'power' => 2]]], 'no-spread'];
        yield 'nothing' => [['gains' => [[...$case, 'power' => 0, 'torque' => 0]]], 'gives-nothing'];
        yield 'much power and less torque' => [['gains' => [[...$case, 'power' => [10, 14, 16], 'torque' => [-9, -4, 0]]]], 'torque-against-power'];
        yield 'by hand without a reason' => [['gains' => [[...$case, 'evidence' => ['kind' => 'judgement', 'set' => 'hand']]]], 'no-reason'];
    }

    /** @param  array<string, mixed>  $change */
    #[DataProvider('partDoubts')]
    public function test_a_part_that_cannot_be_is_pointed_out(array $change, string $code): void
    {
        $catalog = self::opened(null, fn (array $parts): array => [...$parts, 'fjellvent-panel' => [...$parts['fjellvent-panel'], ...$change]])->bundle->catalog;
        $codes = array_map(fn (LibraryDoubt $doubt): string => $doubt->code->value, (new PartsCheck($catalog))->of($catalog->part('fjellvent-panel')));
        self::assertSame([$code], $codes);
    }

    public function test_what_differs_is_told_part_by_part(): void
    {
        $before = self::opened();
        $after = self::opened(
            fn (array $platform): array => [...$platform, 'limits' => array_map(fn (array $limit): array => $limit['key'] === 'clutch' ? [...$limit, 'safe' => 300] : $limit, array_slice($platform['limits'], 0, -1))],
            function (array $parts): array {
                $parts['fjellvent-panel']['gains'][0]['power'] = [0, 2, 3];
                $parts['fjellvent-sealed-box']['price'] = [...$parts['fjellvent-sealed-box']['price'], 'new' => [300, 350, 360], 'hours' => 1.0];
                $parts['kolvane-h3']['retired'] = ['successor' => 'kolvane-h2'];
                $parts['own'] = [...$parts['fjellvent-panel'], 'key' => 'own', 'name' => 'Own'];

                return array_diff_key($parts, ['hollinwick-pads' => 1]);
            },
        );
        $words = new LibraryChangeWords(UnitFormatter::for($after->bundle, $after->units));
        $told = fn (array $changes): array => array_map(fn (LibraryChange $change): string => $words->of($change), $changes);
        $all = $told((new LibraryDifference($before->bundle->catalog, $after->bundle->catalog))->all());
        self::assertEqualsCanonicalizing([
            'Limit of Clutch: safe 290 → 300 lb-ft', 'Limit of Charge temperature: no longer there', 'Panel filter: gain 1 → 2 whp', 'Sealed intake box: + € 30', 'Sealed intake box: 0.8 → 1.0 h to fit',
            'Hybrid H3, 52 mm: no longer offered, Hybrid H2, 49 mm takes its place', 'Pads, lines and fluid: no longer there', 'Own: new',
        ], $all);
        self::assertSame([], (new LibraryDifference($before->bundle->catalog, self::opened()->bundle->catalog))->all());
        self::assertSame(['Limit of Clutch: safe 290 → 300 lb-ft', 'Limit of Charge temperature: no longer there', 'Panel filter: gain 1 → 2 whp'], $told((new LibraryDifference($before->bundle->catalog, $after->bundle->catalog))->of(['fjellvent-panel', 'tarnstone-sport'])), 'of a plan its own parts alone');
    }

    public function test_a_part_is_looked_at_on_builds_that_suit_it(): void
    {
        $bundle = self::opened()->bundle;
        $shown = (new PartPreview($bundle))->of($bundle->catalog->part('kolvane-h2'));
        self::assertSame([PreviewBuild::Stock, PreviewBuild::Mapped, PreviewBuild::Prepared], array_column($shown, 0));
        $watts = array_map(fn (array $one): float => $one[2]->adds, $shown);
        self::assertLessThan(1_000.0, $watts[0], 'without a map it must not be driven');
        self::assertGreaterThan(40_000.0, $watts[1]);
        $fitted = array_column($shown[2][1], 'key');
        self::assertContains('nullarc-three-port', $fitted);
        self::assertContains('kolvane-pipe-alu', $fitted);
        self::assertLessThan(count($shown[1][2]->findings), count($shown[2][2]->findings), 'with all that it asks for less is missing');
    }

    public function test_a_new_platform_has_the_slots_of_its_kind_and_can_be_read(): void
    {
        $shop = self::read('', 'shop');
        foreach ([['natural', 'petrol', 'header', 'turbo'], ['turbo', 'petrol', 'intercooler', 'header'], ['turbo', 'diesel', 'filter-back', 'plugs']] as [$aspiration, $fuel, $has, $hasNot]) {
            $document = (new NewPlatform(new UnitSystem, new UsualLoss))->of([
                'key' => 'own', 'name' => 'Own', 'make' => 'Orrin', 'model' => 'Own', 'years' => ['from' => 2015, 'to' => 2020], 'engine' => ['displacement' => 2.0, 'cylinders' => 4, 'aspiration' => $aspiration, 'injection' => 'direct', 'fuel' => $fuel],
                'drive' => 'front', 'gearbox' => 'manual', 'rev_limit' => 6500.0, 'peaks' => ['lowest_rpm' => 1500, 'torque' => ['rpm' => 2500, 'value' => 180], 'power' => ['rpm' => 5500, 'value' => 150], 'redline' => 6500], 'read' => 'wheels',
            ]);
            $opened = BundleReader::read(NewJob::bundle($document, [], $shop['shop'], $shop['units']));
            self::assertArrayHasKey($has, $opened->bundle->catalog->platform->slots);
            self::assertArrayNotHasKey($hasNot, $opened->bundle->catalog->platform->slots);
        }
    }
}
