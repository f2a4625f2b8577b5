<?php

namespace Pebblerun\Core\Report\Words;

use Pebblerun\Core\Catalog\Limits\Ceiling;
use Pebblerun\Core\Evaluation\Engine\CeilingCost;
use Pebblerun\Core\Report\UnitFormatter;

/** What a ceiling takes: "Held back by the stock turbo's airflow: 7 whp." */
final readonly class CeilingWords
{
    public function __construct(private UnitFormatter $say) {}

    /** A figure that would show as nothing is left out. */
    public function of(CeilingCost $cost): string
    {
        $taken = [];
        if (abs((float) $this->say->power($cost->power, 0)) >= 1.0) {
            $taken[] = $this->say->sayPower($cost->power);
        }
        if (abs((float) $this->say->torque($cost->torque, 0)) >= 1.0) {
            $taken[] = $this->say->sayTorque($cost->torque);
        }

        return 'Held back by '.self::name($cost->ceiling).($taken === [] ? '' : ': '.Listing::join($taken, 'and')).'.';
    }

    /** Inside a sentence: one that begins with capitals keeps them, "ECU torque limiter". */
    public static function name(Ceiling $ceiling): string
    {
        return ctype_upper(substr($ceiling->name, 1, 1)) ? $ceiling->name : lcfirst($ceiling->name);
    }
}
