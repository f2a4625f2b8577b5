<?php

namespace Tests\Formats;

use Pebblerun\Formats\SchemaValidator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The command line, run as people run it. */
final class CommandLineTest extends TestCase
{
    private const ROOT = __DIR__.'/../..';

    /** @return array<string, mixed> */
    private static function bundle(): array
    {
        $read = fn (string $file): array => json_decode((string) file_get_contents(self::ROOT."/demo/{$file}"), true);

        return [
            'format' => 'pebblerun/bundle', 'version' => 2, 'units' => ['power' => 'hp', 'torque' => 'lb-ft'],
            'shop' => $read('shop.json')['shop'],
            'platform' => $read('platforms/corvane-lyre-16t.json')['platform'],
            'parts' => $read('parts/corvane-lyre-16t.json')['parts'],
            'brief' => $read('jobs/skarn-hill-commuter/brief.json')['brief'],
            'plan' => $read('jobs/skarn-hill-commuter/plan.json')['plan'],
        ];
    }

    /** @return array{int, string, string} exit code, output, errors */
    private static function runOn(string $text, string ...$words): array
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'bundle');
        file_put_contents($file, $text);
        $process = proc_open(['php', self::ROOT.'/bin/pebblerun', 'estimate', $file, ...array_values($words)], [1 => ['pipe', 'w'], 2 => ['pipe', 'w']], $pipes);
        self::assertIsResource($process);
        $output = (string) stream_get_contents($pipes[1]);
        $errors = (string) stream_get_contents($pipes[2]);
        unlink($file);

        return [proc_close($process), $output, $errors];
    }

    public function test_the_estimate_document_follows_its_schema(): void
    {
        [$code, $output] = self::runOn((string) json_encode(self::bundle()));
        self::assertSame(0, $code);
        (new SchemaValidator(self::ROOT.'/schemas'))->check('estimate.json', json_decode($output));
        self::assertSame([0, 1, 2, 3], array_column(json_decode($output, true)['stages'], 'index'));
    }

    public function test_the_table_is_for_people(): void
    {
        [$code, $output] = self::runOn((string) json_encode(self::bundle()), '--table');
        self::assertSame(0, $code);
        self::assertMatchesRegularExpression('/^3 strong fuel +\d+ whp +\d+–\d+ +\d+ lb-ft +€ [\d,]+ +€ [\d,]+ +\S/m', $output);
        self::assertStringContainsString('An estimate is not a promise.', $output);
    }

    /** Each changes one thing of the sound demo bundle; path and what would be right must be named. */
    public static function faults(): iterable
    {
        $set = function (string $path, mixed $value): callable {
            return function (array $bundle) use ($path, $value): array {
                $place = &$bundle;
                foreach (explode('.', $path) as $step) {
                    $place = &$place[$step];
                }
                $place = $value;

                return $bundle;
            };
        };
        yield 'an unknown slot' => [$set('parts.0.slots.0', 'moon'), 'parts[0].slots[0]: the platform has no slot "moon": use one of map, filter'];
        yield 'a low above its likely' => [$set('parts.0.gains.0.power', [5, 4, 6]), 'parts[0].gains[0].power: low 5 is above likely 4: low must not exceed likely.'];
        yield 'a requirement nothing can satisfy' => [$set('parts.5.requires.0.that', ['part' => 'left-handed-turbo']), 'parts[5].requires[0].that: nothing in this catalog'];
        yield 'falling rpm' => [$set('platform.baseline.points.3.rpm', 1700), 'platform.baseline.points[3]: 1700 rpm comes after 2100 rpm: engine speed must rise'];
        yield 'power and torque that disagree' => [$set('platform.baseline.points.2.power', 76), 'platform.baseline.points[2]: Power and torque at 2100 rpm disagree'];
        yield 'a negative price' => [$set('parts.0.price.new', -4), 'parts[0].price.new: -4 is too low: give 0 or more.'];
        yield 'an unknown unit' => [$set('units.torque', 'stone-feet'), 'units: Unknown torque unit "stone-feet": use one of lb-ft, Nm.'];
        yield 'a misspelt property' => [$set('parts.0.prise', 3), 'parts[0]: "prise" is not known here'];
        yield 'a missing property' => [$set('shop.fuels', []), 'shop.fuels: needs at least 1 items'];
        yield 'a word not known' => [$set('plan.settings.stacking', 'hopeful'), 'plan.settings.stacking: "hopeful" is not known here: use one of diminishing, compound, sum.'];
        yield 'a loss of everything' => [$set('parts.0.gains.0.power', [-900, -800, -700]), 'leaves nothing: correct the loss'];
        yield 'a part that is not there' => [$set('plan.stages.0.changes.0.fit', 'no-such-part'), 'plan: The catalogue has no part "no-such-part"'];
        yield 'too much pressure for the engine' => [$set('platform.engine.displacement', 0.02), 'platform.baseline: its torque would need a mean effective pressure'];
    }

    #[DataProvider('faults')]
    public function test_a_faulty_bundle_is_refused_with_its_path_and_what_would_be_right(callable $change, string $words): void
    {
        [$code, $output, $errors] = self::runOn((string) json_encode($change(self::bundle())));
        self::assertSame(2, $code);
        self::assertSame('', $output);
        self::assertStringContainsString($words, $errors);
    }

    public function test_what_is_hard_to_believe_is_taken_and_pointed_out(): void
    {
        $bundle = self::bundle();
        $bundle['parts'][0]['gains'][0]['power'] = [3, 4, 50];
        $bundle['platform']['engine']['displacement'] *= 0.55;
        [$code, $output, $errors] = self::runOn((string) json_encode($bundle));
        self::assertSame(0, $code);
        self::assertStringStartsWith('{', $output);
        self::assertStringContainsString('is more than "intake" can give', strtolower($errors));
        self::assertStringContainsString('Note: platform.baseline: The stock car would work at a mean effective pressure', $errors);
    }

    public function test_a_truncated_file_is_refused_with_where_it_breaks_off(): void
    {
        [$code, , $errors] = self::runOn(substr((string) json_encode(self::bundle()), 0, 5_000));
        self::assertSame(2, $code);
        self::assertStringContainsString('The file breaks off after 5000 bytes', $errors);
    }

    public function test_a_file_of_fifty_megabytes_is_refused_unread(): void
    {
        [$code, , $errors] = self::runOn('{"format":"'.str_repeat('x', 50 * 1024 * 1024).'"}');
        self::assertSame(2, $code);
        self::assertStringContainsString('The file has 50.0 MB: a document may have 8 MB at most.', $errors);
    }

    public function test_what_a_terminal_would_obey_is_refused_and_never_printed(): void
    {
        $bundle = self::bundle();
        foreach (["x\u{1b}[2J", "\u{9b}31m", "y\u{7f}", "a\u{202e}b"] as $name) {
            $bundle['plan']['stages'][2]['name'] = $name;
            [$code, $output, $errors] = self::runOn((string) json_encode($bundle), '--table');
            self::assertSame([2, ''], [$code, $output]);
            self::assertStringContainsString('plan.stages[2].name', $errors);
            self::assertStringNotContainsString($name, $errors);
        }
        $bundle['plan']['settings']['stacking'] = "\u{1b}]0;evil\u{7}";
        self::assertStringNotContainsString("\u{1b}", self::runOn((string) json_encode($bundle))[2]);
    }

    public function test_an_answer_that_cannot_be_written_is_no_success(): void
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'bundle');
        file_put_contents($file, (string) json_encode(self::bundle()));
        exec('php '.self::ROOT."/bin/pebblerun estimate {$file} 2>&1 >/dev/full", $lines, $code);
        self::assertSame([3, ['The answer could not be written: the disk is full, or who reads it went away.']], [$code, $lines]);
        exec("bash -c 'php ".self::ROOT."/bin/pebblerun estimate {$file} 2>/dev/null | true; exit \${PIPESTATUS[0]}'", $nothing, $code);
        self::assertSame(3, $code);
        unlink($file);
    }

    public function test_what_takes_too_much_memory_ends_with_a_sentence_and_no_trace(): void
    {
        exec("php -r 'require \"".self::ROOT."/vendor/autoload.php\"; Pebblerun\\Formats\\Cli\\Main::bound(); str_repeat(\"x\", 1 << 30);' 2>&1", $lines, $code);
        self::assertSame(4, $code);
        self::assertSame(['This took more than 512M of memory or 60 s: it is no document that anybody wrote by hand.'], $lines);
    }

    public function test_an_empty_or_missing_file_is_refused(): void
    {
        self::assertStringContainsString('The file is empty.', self::runOn('')[2]);
        exec('php '.self::ROOT.'/bin/pebblerun estimate /nowhere.json 2>&1', $lines, $code);
        self::assertSame(2, $code);
        self::assertStringContainsString('There is no readable file /nowhere.json.', implode("\n", $lines));
    }
}
