<?php

namespace Pebblerun\Core\Job\Life;

/** Why a stage cannot be what somebody says it is. */
enum LifeHindrance: string
{
    /** It is that already. */
    case Same = 'same';
    /** What comes before it is not done. */
    case EarlierOpen = 'earlier-open';
    /** What came after it stands on it. */
    case LaterDone = 'later-done';
}
