<?php

namespace Pebblerun\Core\Evaluation\Findings;

/** How far figures of a build go beyond what has been seen of engines of its kind. */
enum Belief: string
{
    case Usual = 'usual';
    case Unusual = 'unusual';
    case Beyond = 'beyond-belief';
}
