<?php

namespace Pebblerun\Core\Physics\Driveline;

/** Which wheels drive. */
enum Drive: string
{
    case Front = 'front';
    case Rear = 'rear';
    case All = 'all';
}
