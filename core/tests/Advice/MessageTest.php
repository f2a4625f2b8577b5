<?php

namespace Pebblerun\Core\Tests\Advice;

use LogicException;
use Pebblerun\Core\Advice\Message;
use Pebblerun\Core\Advice\VerdictCode;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A message has the parameters that its code declares, no others and of no other type. */
final class MessageTest extends TestCase
{
    public function test_a_message_takes_what_its_code_declares(): void
    {
        self::assertSame(['total' => 100, 'budget' => 200], (new Message(VerdictCode::TotalOfBudget, ['total' => 100, 'budget' => 200]))->parameters);
        self::assertSame(12, (new Message(VerdictCode::PlainSum, ['power' => 12]))->parameters['power'], 'a whole number is a figure');
        self::assertSame([], (new Message(VerdictCode::Complete))->parameters);
    }

    /** @return iterable<string, array{VerdictCode, array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        yield 'one is missing' => [VerdictCode::TotalOfBudget, ['total' => 100], 'total-of-budget: budget is a int'];
        yield 'one too many' => [VerdictCode::Complete, ['stage' => 1], 'complete: stage is none of its parameters'];
        yield 'of another type' => [VerdictCode::LeftOver, ['money' => '12'], 'left-over: money is a int'];
        yield 'a figure for money' => [VerdictCode::LeftOver, ['money' => 12.5], 'left-over: money is a int'];
        yield 'nothing where something must be' => [VerdictCode::RunsOn, ['fuel' => null], 'runs-on: fuel is a Pebblerun'];
    }

    /** @param  array<string, mixed>  $parameters */
    #[DataProvider('wrong')]
    public function test_it_takes_nothing_else(VerdictCode $code, array $parameters, string $why): void
    {
        $this->expectException(LogicException::class);
        $this->expectExceptionMessage($why);
        new Message($code, $parameters);
    }
}
