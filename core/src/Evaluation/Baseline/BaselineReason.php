<?php

namespace Pebblerun\Core\Evaluation\Baseline;

/** Why a baseline may read what it reads. */
enum BaselineReason: string
{
    /** Power in hp or PS was entered as kW. */
    case HorsepowerAsKilowatts = 'hp-as-kw';
    case KilowattsAsHorsepower = 'kw-as-hp';
    case NewtonMetresAsPoundFeet = 'nm-as-lbft';
    case PoundFeetAsNewtonMetres = 'lbft-as-nm';
    /** At the crank and not at the wheels. */
    case Crank = 'crank';
    /** Read on another kind of dyno. */
    case OtherDyno = 'other-dyno';
    case PartsNotTold = 'parts-not-told';
    case Health = 'health';
}
