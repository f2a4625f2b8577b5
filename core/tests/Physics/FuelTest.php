<?php

namespace Pebblerun\Core\Tests\Physics;

use Pebblerun\Core\Physics\Fuel\Blend;
use Pebblerun\Core\Physics\Fuel\Consumption;
use PHPUnit\Framework\TestCase;

final class FuelTest extends TestCase
{
    /** Source: the method's worked value, three injectors of 550 cm³/min at 85 %, petrol, 365 g/kWh. */
    public function test_port_injectors_carry_their_worked_power(): void
    {
        $fuel = Blend::petrol();
        $power = Consumption::powerOfInjectors(3, 550e-6 / 60.0, 1.0, $fuel, 0.85, Consumption::perJoule($fuel, true, false));
        self::assertEqualsWithDelta(171.8, $power / 1000.0, 0.05);
    }

    public function test_strong_fuel_asks_a_third_more_by_half_content(): void
    {
        // By hand: half by volume is 789/(745+789) = 0.5143 by mass; 43.4/(43.4 − 0.5143·16.6) = 1.245.
        $ratio = Consumption::perJoule(Blend::petrol(50.0), true, true) / Consumption::perJoule(Blend::petrol(), true, true);
        self::assertEqualsWithDelta(1.245, $ratio, 0.001);
    }

    public function test_fuel_flow_rises_with_ethanol_and_diesel_burns_least(): void
    {
        $before = 0.0;
        foreach ([0.0, 10.0, 30.0, 85.0, 100.0] as $ethanol) {
            $flow = Consumption::perJoule(Blend::petrol($ethanol), false, false);
            self::assertGreaterThan($before, $flow);
            $before = $flow;
        }
        self::assertEqualsWithDelta(26.8e6, Blend::petrol(100.0)->heating, 1e-3);
        self::assertLessThan(Consumption::perJoule(Blend::petrol(), false, false), Consumption::perJoule(Blend::diesel(), true, true));
    }
}
