<?php

namespace App\Exceptions;

use RuntimeException;

final class NothingToUndo extends RuntimeException
{
    public static function atStart(): self
    {
        return new self('Nothing to undo: this is how the plan started.');
    }

    public static function nothingUndone(): self
    {
        return new self('Nothing to redo: nothing was undone since the last change.');
    }
}
