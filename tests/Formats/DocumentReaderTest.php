<?php

namespace Tests\Formats;

use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Formats\DocumentReader;
use Pebblerun\Formats\Folder;
use Pebblerun\Formats\InvalidDocument;
use Pebblerun\Formats\JsonFile;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class DocumentReaderTest extends TestCase
{
    public static function texts(): iterable
    {
        yield 'a list' => ['[1, 2]', 'The document must be a JSON object'];
        yield 'not UTF-8' => ["{\"name\": \"\xE9\"}", 'The file is not UTF-8 text: save it as UTF-8.'];
        yield 'a comma too many' => ['{"a": 1,}', 'The file is no well-formed JSON'];
        yield 'cut off' => ["{\"a\":\n [1, 2", 'The file breaks off after 12 bytes, in line 2'];
        yield 'too deep' => [str_repeat('{"a":', 40).'1'.str_repeat('}', 40), 'nested deeper than 32 levels'];
    }

    #[DataProvider('texts')]
    public function test_a_text_that_is_no_document_is_refused(string $text, string $words): void
    {
        $this->expectException(InvalidDocument::class);
        $this->expectExceptionMessage($words);
        JsonFile::decode($text);
    }

    public static function briefs(): iterable
    {
        yield 'an unknown word' => [['use' => 'moon'], 'use: "moon" is not known here: use one of road, track.'];
        yield 'a misspelt answer' => [['budged' => []], '"budged" is not known here: check the spelling, or leave it out.'];
        yield 'text for a number' => [['budget' => ['total' => 'much']], 'budget.total: "much" must be a number.'];
        yield 'below nothing' => [['budget' => ['total' => -1]], 'budget.total: -1 is too low: give 0 or more.'];
        yield 'half a target' => [['target' => ['torque' => 300]], 'target'];
        yield 'a time that nobody drives' => [['target' => ['quarter_mile' => 2]], 'target'];
        yield 'a noise nobody makes' => [['noise' => 'deafening'], 'noise: "deafening" is not known here: use one of as-stock, a-little, open.'];
        yield 'a refusal that is none' => [['refuses' => ['rain']], 'refuses[0]: "rain" is not known here'];
        yield 'a check that is none' => [['received' => ['parts' => [], 'fuel' => 'pump', 'checks' => ['paint' => 'good']]], '"paint" is not known here'];
        yield 'a finding that is none' => [['received' => ['parts' => [], 'fuel' => 'pump', 'checks' => ['oil' => 'so-so']]], 'received.checks.oil: "so-so" is not known here: use one of good, bad.'];
        yield 'a warning without a day' => [['warnings' => [['warning' => 'law', 'by' => 'Ines']]], 'warnings[0]'];
        yield 'a key with spaces' => [['fuels' => ['Pump 98']], 'fuels[0]: "Pump 98" is not well formed'];
    }

    #[DataProvider('briefs')]
    public function test_a_brief_that_is_not_one_is_refused_with_its_place(array $change, string $words): void
    {
        try {
            DocumentReader::standard()->section('brief', ['car' => ['year' => 2020, 'gearbox' => 'manual'], 'received' => ['parts' => [], 'fuel' => 'pump'], ...$change]);
            self::fail('it was taken');
        } catch (InvalidDocument $fault) {
            self::assertStringContainsString($words, $fault->getMessage());
        }
    }

    /** A brief of version 1 had other names: "came", "appetite", "told", and the usual risk was another word. */
    public function test_documents_of_every_version_open_and_say_the_same(): void
    {
        $newest = (new Folder(__DIR__.'/../../demo', DocumentReader::standard()))->bundle('skarn-hill-commuter');
        self::assertSame(BundleReader::VERSION, $newest['version'], 'what is written is of the newest');
        $brief = $newest['brief'];
        $first = [...array_diff_key($brief, ['received' => 1, 'risk' => 1, 'warnings' => 1, 'outside' => 1]), 'came' => $brief['received'], 'appetite' => 'usual', 'told' => $brief['warnings'] ?? []];
        $of = fn (array $document): array => DocumentReader::standard()->text('bundle', (string) json_encode($document));
        $up = $of([...$newest, 'version' => 1, 'brief' => $first]);
        self::assertSame([BundleReader::VERSION, 'normal'], [$up['version'], $up['brief']['risk']]);
        self::assertEquals([$brief['received'], $brief['warnings'] ?? []], [$up['brief']['received'], $up['brief']['warnings']]);
        self::assertEquals($newest, $of([...$newest, 'version' => 2]));
        self::assertEquals(Estimate::of(DocumentReader::standard()->open($newest)->bundle)->last()->power, Estimate::of(DocumentReader::standard()->open($up)->bundle)->last()->power);
        foreach ([0, 4, '3'] as $unknown) {
            try {
                $of([...$newest, 'version' => $unknown]);
                self::fail("version {$unknown} was taken");
            } catch (InvalidDocument $fault) {
                self::assertStringContainsString('version', $fault->getMessage());
            }
        }
    }

    public function test_a_brief_may_be_half_done(): void
    {
        $brief = ['car' => ['year' => 2020, 'gearbox' => 'manual'], 'received' => ['parts' => [], 'fuel' => 'pump']];
        self::assertSame($brief, DocumentReader::standard()->section('brief', $brief));
    }

    public function test_every_fault_of_a_document_is_told_at_once(): void
    {
        try {
            DocumentReader::standard()->section('brief', ['car' => ['year' => 'new', 'gearbox' => 'six'], 'received' => ['parts' => [], 'fuel' => 'pump'], 'use' => 'moon']);
            self::fail('it was taken');
        } catch (InvalidDocument $fault) {
            self::assertCount(3, $fault->faults);
        }
    }

    public function test_a_folder_gives_its_jobs_as_bundles(): void
    {
        $folder = new Folder(dirname(__DIR__, 2).'/demo', DocumentReader::standard());
        self::assertContains('skarn-hill-commuter', $folder->jobs());
        self::assertSame('corvane-lyre-16t', $folder->bundle('skarn-hill-commuter')['platform']['key']);
        $this->expectException(InvalidDocument::class);
        $this->expectExceptionMessage('jobs/no-such-job/brief.json');
        $folder->bundle('no-such-job');
    }

    public function test_a_baseline_that_cannot_be_this_cars_is_refused_with_the_likely_slip(): void
    {
        $reader = DocumentReader::standard();
        $bundle = (new Folder(dirname(__DIR__, 2).'/demo', $reader))->bundle('skarn-hill-commuter');
        foreach ($bundle['brief']['received']['baseline']['points'] as &$point) {
            $point['torque'] *= 1.356;
        }
        $this->expectException(InvalidDocument::class);
        $this->expectExceptionMessageMatches('/brief\.received\.baseline: The baseline reads .*N·m entered as lb-ft.*correct it, or leave it out\./');
        $reader->open($bundle);
    }
}
