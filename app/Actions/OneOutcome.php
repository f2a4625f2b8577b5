<?php

namespace App\Actions;

use App\Exceptions\Refused;
use App\Models\CustomerJob;
use App\Models\Plan;
use Closure;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\CoreException;
use Pebblerun\Formats\InvalidDocument;
use stdClass;

/**
 * One request has one outcome for ever: what was done is noted within the change's own transaction, a refusal by the first who
 * refuses it. Sent again, it is answered by what is noted, however the world has changed.
 */
final class OneOutcome
{
    private const DONE = 200;

    /**
     * @template T
     *
     * @param  Closure(): T  $change  notes with done() that it was done
     * @return ?T null when it was done before
     *
     * @throws Refused
     */
    public function of(CustomerJob $job, ?Plan $plan, Edit $edit, Closure $change): mixed
    {
        if ($this->isDone($job, $edit)) {
            return null;
        }
        $edit->seen <= $job->version || throw Refused::because("This change says that it was made on version {$edit->seen} of the job, which is at {$job->version}: open the page anew and make it again.");
        try {
            return $change();
        } catch (UniqueConstraintViolationException $twice) {
            // The same request came over two connections, and the other was faster.
            $this->isDone($job, $edit) || throw $twice;

            return null;
        } catch (Refused|CoreException|InvalidDocument $fault) {
            $this->note($job, $plan, $edit, $fault instanceof Refused ? $fault : Refused::because($fault->getMessage()));

            $this->isDone($job, $edit) || throw $fault;

            return null;
        }
    }

    /** Call it inside the change's transaction. */
    public function done(CustomerJob $job, ?Plan $plan, Edit $edit): void
    {
        DB::table('edits')->insert(self::asDone($job, $plan, $edit));
    }

    /** @return non-empty-array<string, mixed> the row that says so */
    public static function asDone(CustomerJob $job, ?Plan $plan, Edit $edit): array
    {
        return [...self::row($job, $plan, $edit), 'status' => self::DONE];
    }

    /**
     * Whether it was done before; others may note it meanwhile.
     *
     * @phpstan-impure
     *
     * @throws Refused when it was refused before, or was used for something else.
     */
    public function isDone(CustomerJob $job, Edit $edit): bool
    {
        /** @var ?stdClass $noted */
        $noted = DB::table('edits')->where('customer_job_id', $job->id)->where('request', $edit->request)->first(['asked', 'status', 'answer']);
        if ($noted === null) {
            return false;
        }
        if ($noted->asked !== null && $noted->asked !== $edit->asked) {
            throw Refused::reused($edit->request);
        }

        return $noted->status === self::DONE ? true : throw new Refused($noted->status, json_decode($noted->answer, true));
    }

    /** Or leaves what somebody else noted meanwhile. */
    private function note(CustomerJob $job, ?Plan $plan, Edit $edit, Refused $fault): void
    {
        DB::table('edits')->insertOrIgnore([
            ...self::row($job, $plan, $edit),
            'status' => $fault->status,
            'answer' => json_encode($fault->answer, JSON_THROW_ON_ERROR),
        ]);
    }

    /** @return non-empty-array<string, mixed> */
    private static function row(CustomerJob $job, ?Plan $plan, Edit $edit): array
    {
        return [
            'customer_job_id' => $job->id, 'plan_id' => $plan?->id, 'author_id' => $edit->author->id,
            'request' => $edit->request, 'asked' => $edit->asked, 'created_at' => now()->toDateTimeString(),
        ];
    }
}
