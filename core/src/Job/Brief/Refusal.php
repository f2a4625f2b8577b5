<?php

namespace Pebblerun\Core\Job\Brief;

use Pebblerun\Core\Catalog\Parts\Caution;
use Pebblerun\Core\Catalog\Parts\Part;

/** What a customer will not live with. */
enum Refusal: string
{
    case Louder = 'louder';
    case Cutting = 'cutting';
    case Lag = 'lag';
    case HarderClutch = 'harder-clutch';
    case Smell = 'smell';

    /** Whether a part brings it, by its tags, cautions or effects. */
    public function metBy(Part $part): bool
    {
        return match ($this) {
            self::Cutting => in_array(Caution::Cutting, $part->cautions, true),
            self::Lag => ($part->effects->spool->likely ?? 0.0) > 0.0,
            self::Louder, self::HarderClutch, self::Smell => in_array($this->value, $part->tags, true),
        };
    }
}
