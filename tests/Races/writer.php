<?php

/**
 * One connection of a writer: reads a list of requests a line, does them one after another, and tells each outcome. It may be
 * killed at any moment.
 */

use App\Actions\Edit;
use App\Actions\EditBrief;
use App\Actions\EditPlan;
use App\Actions\Step;
use App\Exceptions\Refused;
use App\Models\CustomerJob;
use App\Models\Plan;
use App\Models\User;
use Illuminate\Contracts\Console\Kernel;
use Pebblerun\Core\CoreException;
use Pebblerun\Formats\InvalidDocument;

require __DIR__.'/../../vendor/autoload.php';
$app = require __DIR__.'/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

function outcome(array $request): int
{
    $person = User::query()->with('shop')->findOrFail($request['person']);
    $edit = new Edit($person, $request['request'], $request['queue'], $request['seen'], hash('xxh128', (string) json_encode($request['asked'])));
    try {
        if ($request['document'] === 'brief') {
            app(EditBrief::class)->answer(CustomerJob::query()->with('shop')->findOrFail($request['job']), $edit, $request['asked']['answers']);
        } else {
            $plan = Plan::query()->with('job.shop', 'library')->findOrFail($request['plan']);
            $step = $request['asked']['step'] ?? null;
            $step === null ? app(EditPlan::class)->commands($plan, $edit, $request['asked']['commands']) : app(EditPlan::class)->step($plan, $edit, new Step($step['do'], $step['of']));
        }

        return 200;
    } catch (Refused $refused) {
        return $refused->status;
    } catch (CoreException|InvalidDocument) {
        return 422;
    }
}

while (($line = fgets(STDIN)) !== false) {
    foreach (json_decode($line, true) as $request) {
        echo json_encode([$request['request'], outcome($request)]), "\n";
    }
    echo "\n";
    // As after an answer: what it took to work it out is kept.
    app()->terminate();
}
