<?php

namespace Pebblerun\Core;

use Throwable;

/** Everything the core throws on purpose: the message names the thing, the value and what would be right. */
interface CoreException extends Throwable {}
