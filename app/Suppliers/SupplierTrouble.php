<?php

namespace App\Suppliers;

use RuntimeException;

/** A supplier that gave no answer one can use; said as somebody reads it. */
final class SupplierTrouble extends RuntimeException {}
