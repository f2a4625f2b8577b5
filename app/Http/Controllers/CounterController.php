<?php

namespace App\Http\Controllers;

use App\Models\CustomerJob;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Inertia\Inertia;
use Inertia\Response;

final class CounterController
{
    private const PAGE = 50;

    public function __invoke(Request $request): Response
    {
        Gate::authorize('viewAny', CustomerJob::class);
        /** @var User $user */
        $user = $request->user();
        $jobs = CustomerJob::query()
            ->where('shop_id', $user->shop_id)
            ->with(['platform', 'advisor', 'plan'])
            ->orderByDesc('updated_at')->orderByDesc('id')
            ->limit(self::PAGE)->get();

        return Inertia::render('Counter', [
            'shop' => $user->shop->name,
            'jobs' => $jobs->map(fn (CustomerJob $job): array => [
                'id' => $job->id,
                'title' => $job->title,
                'customer' => $job->customer,
                'car' => "{$job->platform->name}, {$job->brief['car']['year']}, {$job->brief['car']['gearbox']}",
                'advisor' => $job->advisor->name,
                'updated' => $job->updated_at->toIso8601String(),
                'summary' => $job->plan?->summary,
            ])->values(),
        ]);
    }
}
