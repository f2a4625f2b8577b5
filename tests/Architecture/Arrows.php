<?php

namespace Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Test\Attributes\TestRule;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** The arrows of docs/architecture.md, run by phpstan: core knows nothing of the framework, formats nothing of the app. */
final class Arrows
{
    #[TestRule]
    public function core_stands_alone(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Pebblerun\Core'))
            ->canOnlyDependOn()
            ->classes(
                Selector::inNamespace('Pebblerun\Core'),
                Selector::inNamespace('Random'),
                Selector::classname('/^[A-Za-z]+$/', true),
            )
            ->because('the rules of the job need no framework, no database and no files');
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
