<?php

namespace Pebblerun\Core\Catalog\Cars;

/** What a car stands on. */
enum Tyres: string
{
    case Road = 'road';
    case Sport = 'sport';
    case SemiSlick = 'semi-slick';
    case Winter = 'winter';
    case AllTerrain = 'all-terrain';
}
