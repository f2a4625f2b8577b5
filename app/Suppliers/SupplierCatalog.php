<?php

namespace App\Suppliers;

use App\Models\Supplier;

/** What a supplier says of its parts when it is asked: prices, stock, lead times. A real supplier's service stands behind one of these. */
interface SupplierCatalog
{
    /**
     * @return list<array<string, mixed>> each with article, maker, name and price without tax; used, stock and lead_days where they are known
     *
     * @throws SupplierTrouble when it does not answer in time, answers by half, or answers nonsense.
     */
    public function items(Supplier $supplier, string $currency): array;
}
