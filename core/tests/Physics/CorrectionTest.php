<?php

namespace Pebblerun\Core\Tests\Physics;

use Pebblerun\Core\Physics\Dyno\Correction;
use Pebblerun\Core\Physics\Dyno\InvalidWeather;
use Pebblerun\Core\Physics\Dyno\Weather;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class CorrectionTest extends TestCase
{
    /** Source: worked values of the method, 30 °C, 97.0 kPa, 45 %. */
    public static function worked(): iterable
    {
        yield 'J1349' => [Correction::J1349, 1.0588];
        yield 'J607' => [Correction::J607, 1.0919];
        yield 'DIN 70020' => [Correction::Din70020, 1.0620];
        yield 'ECE R85' => [Correction::R85, 1.0601];
        yield 'none' => [Correction::None, 1.0];
    }

    #[DataProvider('worked')]
    public function test_each_standard_gives_its_worked_factor(Correction $correction, float $factor): void
    {
        self::assertEqualsWithDelta($factor, $correction->factor(Weather::of(30.0, 97_000.0, 0.45)), 5e-5);
    }

    public function test_j1349_is_one_in_its_own_standard_air(): void
    {
        self::assertEqualsWithDelta(1.0, Correction::J1349->factor(Weather::of(25.0, 99_000.0, 0.0)), 1e-12);
    }

    public function test_a_factor_far_from_one_is_doubtful(): void
    {
        self::assertTrue(Correction::isDoubtful(Correction::J607->factor(Weather::of(30.0, 97_000.0, 0.45))));
        self::assertFalse(Correction::isDoubtful(Correction::J1349->factor(Weather::of(30.0, 97_000.0, 0.45))));
    }

    public function test_weather_that_cannot_be_is_refused_with_what_would_be_right(): void
    {
        $this->expectException(InvalidWeather::class);
        $this->expectExceptionMessage('An air pressure of 970.0 kPa is out of range: give 60 to 110 kPa');
        Weather::of(20.0, 970_000.0, 0.5);
    }
}
