<?php

namespace Pebblerun\Core\Job\Plan;

enum Stacking: string
{
    /** Gains of one family share its ceiling, families multiply: 0.02 and 0.03 under 0.06 give 0.04. */
    case Diminishing = 'diminishing';
    /** Everything multiplies: 0.02 and 0.03 give 0.0506. */
    case Compound = 'compound';
    /** Quoted figures add: 4 kW and 5 kW give 9 kW. */
    case Sum = 'sum';
}
