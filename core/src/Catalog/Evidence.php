<?php

namespace Pebblerun\Core\Catalog;

enum Evidence: string
{
    /** What the maker prints on the box. */
    case Maker = 'maker';
    /** Measured on the shop's own dyno. */
    case ShopDyno = 'shop-dyno';
    /** Measured on somebody else's dyno. */
    case OtherDyno = 'other-dyno';
    /** What people who know think. */
    case Judgement = 'judgement';
    /** What such engines and parts have, until somebody knows better of this one. */
    case Typical = 'typical';
}
