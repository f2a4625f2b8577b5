<?php

namespace Tests\Feature;

use App\Exceptions\Outage;
use PDOException;
use PHPUnit\Framework\TestCase;

final class OutageTest extends TestCase
{
    public function test_a_connection_lost_before_the_rollback_is_an_outage_and_a_wrong_statement_is_none(): void
    {
        self::assertTrue(Outage::is(new PDOException('SQLSTATE[HY000]: General error: 7 no connection to the server')));
        self::assertTrue(Outage::is(new PDOException('SQLSTATE[08006] [7] connection refused')));
        self::assertFalse(Outage::is(new PDOException('SQLSTATE[42P01]: Undefined table: 7 ERROR: relation "parts" does not exist')));
    }
}
