<?php

namespace Pebblerun\Core\Report\Words;

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

        // A name that begins with capitals is one: "ECU torque limiter".
        $name = ctype_upper(substr($cost->ceiling->name, 1, 1)) ? $cost->ceiling->name : lcfirst($cost->ceiling->name);

        return "Held back by {$name}".($taken === [] ? '' : ': '.Listing::join($taken, 'and')).'.';
    }
}
