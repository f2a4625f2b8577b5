<?php

namespace Pebblerun\Core\Physics\Driveline;

use Pebblerun\Core\Physics\Dyno\DynoKind;

/** What a shop's dyno usually reads as lost between crank and wheels: what the shop has found itself, else what is usual of its kind. */
final readonly class UsualLoss
{
    /**
     * @param  array<string, float>  $own  share with a manual gearbox, by what drives, where the shop knows it
     */
    public function __construct(public DynoKind $dyno = DynoKind::InertiaRoller, private array $own = []) {}

    public function share(Drive $drive, Gearbox $gearbox): float
    {
        return isset($this->own[$drive->value]) ? $this->own[$drive->value] + Loss::gearboxShare($gearbox) : Loss::usual($drive, $gearbox, $this->dyno);
    }
}
