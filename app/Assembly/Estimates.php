<?php

namespace App\Assembly;

use Pebblerun\Core\Bundle\Bundle;
use Pebblerun\Core\Estimate\Document;
use Pebblerun\Core\Estimate\Estimate;

/** Results become documents. */
final class Estimates
{
    /** @return array<string, mixed> the estimate document, in the bundle's own units */
    public static function of(Bundle $bundle): array
    {
        return Document::of(Estimate::of($bundle), $bundle->units);
    }
}
