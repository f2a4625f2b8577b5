<?php

namespace Pebblerun\Core\Catalog\Cars;

/** What conditions ask of a car by name. */
enum CarFact: string
{
    case Gearbox = 'gearbox';
    case Use = 'use';
    case Aspiration = 'aspiration';
    case Drive = 'drive';
    case Variant = 'variant';
    case Tyres = 'tyres';
}
