<?php

namespace App\Console\Commands;

use App\Models\Plan;
use App\Queries\PlanBundle;
use Illuminate\Console\Command;

final class ExportPlan extends Command
{
    protected $signature = 'plan:export {plan : its number, as in the address of its page}';

    protected $description = 'Writes a plan with everything it needs in the open format to the standard output';

    public function handle(): int
    {
        $plan = Plan::query()->find((int) $this->argument('plan'));
        if ($plan === null) {
            $this->error("There is no plan {$this->argument('plan')}: its number is in the address of its page.");

            return 2;
        }
        echo json_encode(PlanBundle::of($plan), JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION)."\n";

        return self::SUCCESS;
    }
}
