<?php

namespace App\Actions;

use App\Models\User;
use Pebblerun\Core\Units\Numerals;

/** Notes what a person wants to read in. */
final class ChooseUnits
{
    /** @param  array<string, string>  $units */
    public function choose(User $person, array $units, Numerals $numerals): void
    {
        $person->forceFill(['units' => $units, 'numerals' => $numerals])->save();
    }
}
