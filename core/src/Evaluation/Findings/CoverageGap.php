<?php

namespace Pebblerun\Core\Evaluation\Findings;

/** Why a map does not cover a part. */
enum CoverageGap: string
{
    /** The factory's map is in the car. */
    case FactoryMap = 'factory-map';
    /** A custom map was made before the part came. */
    case AfterMap = 'after-map';
    /** An off-the-shelf map does not list it. */
    case NotListed = 'not-listed';
}
