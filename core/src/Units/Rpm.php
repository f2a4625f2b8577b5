<?php

namespace Pebblerun\Core\Units;

/** Engine speed; rpm stays rpm everywhere. */
final class Rpm
{
    /** ω in rad/s for 1 rpm. */
    public const OMEGA = M_PI / 30.0;
}
