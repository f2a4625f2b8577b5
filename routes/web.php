<?php

use App\Http\Controllers\BenchController;
use App\Http\Controllers\BriefController;
use App\Http\Controllers\CounterController;
use App\Http\Controllers\PersonController;
use App\Http\Controllers\PlanController;
use App\Http\Controllers\SignInController;
use App\Http\Controllers\VariantController;
use App\Models\CustomerJob;
use Illuminate\Support\Facades\Route;

Route::middleware('guest')->group(function (): void {
    Route::get('/sign-in', [SignInController::class, 'show'])->name('login');
    Route::post('/sign-in', [SignInController::class, 'store']);
});

Route::middleware('auth')->group(function (): void {
    Route::post('/sign-out', [SignInController::class, 'destroy']);
    Route::get('/', [CounterController::class, 'show'])->can('viewAny', CustomerJob::class);
    Route::post('/jobs', [CounterController::class, 'start'])->can('create', CustomerJob::class);
    Route::get('/me', [PersonController::class, 'show']);
    Route::put('/me', [PersonController::class, 'update']);

    Route::get('/jobs/{job}/brief', [BriefController::class, 'show'])->can('view', 'job');
    Route::put('/jobs/{job}/brief', [BriefController::class, 'update'])->can('update', 'job');
    Route::post('/jobs/{job}/target', [BriefController::class, 'changeTarget'])->can('update', 'job');
    Route::get('/jobs/{job}/bench', BenchController::class)->can('view', 'job');

    Route::get('/plans/{plan}', [PlanController::class, 'show'])->can('view', 'plan');
    Route::get('/plans/{plan}/bundle', [PlanController::class, 'bundle'])->can('view', 'plan');
    Route::get('/plans/{plan}/candidates', [PlanController::class, 'candidates'])->can('view', 'plan');
    Route::get('/plans/{plan}/fixes', [PlanController::class, 'fixes'])->can('view', 'plan');
    Route::get('/plans/{plan}/revisions', [PlanController::class, 'revisions'])->can('view', 'plan');
    Route::get('/plans/{plan}/revisions/{number}', [PlanController::class, 'past'])->can('view', 'plan');
    Route::post('/plans/{plan}/revisions/{number}/restore', [PlanController::class, 'restore'])->can('update', 'plan');
    Route::get('/plans/{plan}/variants', [VariantController::class, 'index'])->can('view', 'plan');
    Route::post('/plans/{plan}/variants', [VariantController::class, 'store'])->can('update', 'plan');
    Route::scopeBindings()->group(function (): void {
        Route::get('/plans/{plan}/variants/{variant}', [VariantController::class, 'show'])->can('view', 'plan');
        Route::post('/plans/{plan}/variants/{variant}/take', [VariantController::class, 'take'])->can('update', 'plan');
        Route::post('/plans/{plan}/variants/{variant}/restore', [VariantController::class, 'restore'])->withTrashed()->can('update', 'plan');
        Route::delete('/plans/{plan}/variants/{variant}', [VariantController::class, 'destroy'])->can('update', 'plan');
    });
    Route::post('/plans/{plan}/presence', [PlanController::class, 'presence'])->can('view', 'plan');
    Route::post('/plans/{plan}/commands', [PlanController::class, 'commands'])->can('update', 'plan');
    Route::post('/plans/{plan}/undo', [PlanController::class, 'undo'])->can('update', 'plan');
    Route::post('/plans/{plan}/redo', [PlanController::class, 'redo'])->can('update', 'plan');
});
