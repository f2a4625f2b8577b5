<?php

namespace App\Console\Commands;

use App\Actions\PriceLists\RefreshSupplier;
use App\Exceptions\Refused;
use App\Models\Supplier;
use App\Models\User;
use Illuminate\Console\Command;

final class RefreshSuppliers extends Command
{
    protected $signature = 'suppliers:refresh';

    protected $description = 'Asks every supplier that can be asked what its parts cost now';

    public function handle(RefreshSupplier $refresh): int
    {
        foreach (Supplier::query()->whereNotNull('address')->orderBy('id')->get() as $supplier) {
            $author = User::query()->whereHas('memberships', fn ($of) => $of->where('shop_id', $supplier->shop_id)->where('role', 'owner')->whereNull('deactivated_at'))->orderBy('id')->first();
            if ($author === null) {
                continue;
            }
            try {
                $this->line("{$supplier->name}: {$refresh->refresh($supplier, $author)} prices changed.");
            } catch (Refused $refused) {
                // The others are asked all the same.
                $this->warn($refused->getMessage());
            }
        }

        return self::SUCCESS;
    }
}
