<?php

namespace Pebblerun\Core\Advice\Library;

/** A build of a platform on which a part is looked at. */
enum PreviewBuild: string
{
    case Stock = 'stock';
    /** With a map of the shop's own dyno, or the best there is. */
    case Mapped = 'mapped';
    /** With all that the part itself needs, and a map. */
    case Prepared = 'prepared';
}
