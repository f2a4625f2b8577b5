<?php

namespace Pebblerun\Core\Physics\Dyno;

enum DynoKind: string
{
    case InertiaRoller = 'inertia-roller';
    case LoadRoller = 'load-roller';
    case Hub = 'hub';
    case Engine = 'engine';
}
