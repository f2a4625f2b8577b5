<?php

namespace Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Test\Attributes\TestRule;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** The arrows of docs/architecture.md, run by phpstan: every floor of the core knows the floors below it and nothing else. */
final class Arrows
{
    private const CORE = 'Pebblerun\Core';

    /** The core's floors from the ground up; what a floor may use stands before it. */
    private const FLOORS = ['Units', 'Math', 'Physics', 'Catalog', 'Job', 'Evaluation', 'Work', 'Advice', 'Report'];

    /** Reading files stands beside the floors and fills these. */
    private const EXCHANGE = ['Units', 'Math', 'Physics', 'Catalog', 'Job'];

    #[TestRule]
    public function core_stands_alone(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace(self::CORE))
            ->excluding(Selector::inNamespace(self::CORE.'\Tests'))
            ->canOnlyDependOn()
            ->classes(
                Selector::inNamespace(self::CORE),
                Selector::inNamespace('Random'),
                Selector::classname('/^[A-Za-z]+$/', true),
            )
            ->because('the rules of the job need no framework, no database and no files');
    }

    /** @return iterable<string, Rule> */
    #[TestRule]
    public function a_floor_knows_only_floors_below_it(): iterable
    {
        foreach (self::FLOORS as $i => $floor) {
            yield $floor => $this->knowsOnly($floor, array_slice(self::FLOORS, 0, $i));
        }
        yield 'Exchange' => $this->knowsOnly('Exchange', self::EXCHANGE);
    }

    /** @param  list<string>  $allowed */
    private function knowsOnly(string $package, array $allowed): Rule
    {
        $others = array_values(array_diff([...self::FLOORS, 'Exchange'], [$package, ...$allowed]));

        return PHPat::rule()
            ->classes(Selector::inNamespace(self::CORE."\\{$package}"))
            ->shouldNot()->dependOn()
            ->classes(...array_map(fn (string $other) => Selector::inNamespace(self::CORE."\\{$other}"), $others))
            ->because("{$package} stands on ".($allowed === [] ? 'the ground' : implode(', ', $allowed)).' and knows nothing above or beside it');
    }

    /**
     * In the application: request → action or query → assembly → rows. What a package may use of the others.
     *
     * @return iterable<string, Rule>
     */
    #[TestRule]
    public function the_application_goes_one_way(): iterable
    {
        $may = [
            'Models' => ['Security'],
            'Security' => [],
            'Identity' => ['Models', 'Security'],
            'Mail' => [],
            'Backup' => [],
            'Archive' => ['Assembly', 'Exceptions', 'Models'],
            'Suppliers' => ['Models'],
            'Database' => [],
            'Policies' => ['Models', 'Security'],
            'Exceptions' => ['Models', 'Security'],
            'Assembly' => ['Models', 'Security'],
            'Actions' => ['Assembly', 'Exceptions', 'Jobs', 'Mail', 'Identity', 'Models', 'Security', 'Suppliers'],
            'Queries' => ['Assembly', 'Backup', 'Exceptions', 'Identity', 'Models', 'Security'],
            'FileTasks' => ['Actions', 'Assembly', 'Exceptions', 'Jobs', 'Models'],
            'Logging' => [],
            'Jobs' => ['Assembly', 'Mail', 'Identity', 'Models', 'Security'],
            'Http\\Requests' => ['Actions', 'Assembly', 'Queries', 'Identity', 'Models', 'Security'],
            'Http\\Controllers' => ['Actions', 'Archive', 'Assembly', 'Database', 'FileTasks', 'Jobs', 'Queries', 'Identity', 'Models', 'Security', 'Http\\Requests'],
            'Http\\Middleware' => ['Identity', 'Models', 'Security'],
            'Console' => ['Actions', 'Archive', 'Assembly', 'Exceptions', 'Suppliers', 'Backup', 'Jobs', 'Mail', 'Identity', 'Models', 'Queries', 'Security'],
        ];
        foreach ($may as $package => $allowed) {
            $others = array_values(array_diff(array_keys($may), [$package, ...$allowed]));
            yield $package => PHPat::rule()
                ->classes(Selector::inNamespace("App\\{$package}"))
                ->shouldNot()->dependOn()
                ->classes(...array_map(fn (string $other) => Selector::inNamespace("App\\{$other}"), $others))
                ->because("{$package} may use ".($allowed === [] ? 'nothing else of the application' : implode(', ', $allowed)));
        }
    }

    #[TestRule]
    public function formats_know_core_and_nothing_of_the_application(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Pebblerun\Formats'))
            ->shouldNot()->dependOn()
            ->classes(Selector::inNamespace('App'), Selector::inNamespace('Illuminate'))
            ->because('the command line works without the framework');
    }
}
