<?php

namespace Pebblerun\Core\Job\Brief;

/** What is said plainly before a plan is made, and noted as told. */
enum Warning: string
{
    case Reliability = 'reliability';
    case Reserve = 'reserve';
    case Warranty = 'warranty';
    case Insurance = 'insurance';
    case Law = 'law';
}
