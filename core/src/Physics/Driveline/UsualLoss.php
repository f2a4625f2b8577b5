<?php

namespace Pebblerun\Core\Physics\Driveline;

/** What a shop's dyno usually reads as lost between crank and wheels: what the shop has found itself, else what is usual of its kind. */
final readonly class UsualLoss
{
    /**
     * @param  string  $dyno  kind of dyno
     * @param  array<string, float>  $own  share with a manual gearbox, by what drives, where the shop knows it
     */
    public function __construct(public string $dyno = 'inertia-roller', private array $own = []) {}

    public function share(string $drive, string $gearbox): float
    {
        return isset($this->own[$drive]) ? $this->own[$drive] + Loss::gearboxShare($gearbox) : Loss::usual($drive, $gearbox, $this->dyno);
    }
}
