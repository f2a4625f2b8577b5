<?php

use App\Http\Controllers\BenchController;
use App\Http\Controllers\BriefController;
use App\Http\Controllers\CounterController;
use App\Http\Controllers\CustomerController;
use App\Http\Controllers\EditController;
use App\Http\Controllers\JobController;
use App\Http\Controllers\PersonController;
use App\Http\Controllers\PlanController;
use App\Http\Controllers\SignInController;
use App\Http\Controllers\TaskController;
use App\Http\Controllers\VariantController;
use App\Models\CustomerJob;
use Illuminate\Support\Facades\Route;

Route::middleware('guest')->group(function (): void {
    Route::get('/sign-in', [SignInController::class, 'show'])->name('login');
    Route::post('/sign-in', [SignInController::class, 'store']);
});

Route::middleware('auth')->group(function (): void {
    Route::post('/sign-out', [SignInController::class, 'destroy']);
    Route::get('/me', [PersonController::class, 'show']);
    Route::put('/me', [PersonController::class, 'update']);

    Route::get('/', [CounterController::class, 'show'])->can('viewAny', CustomerJob::class);
    Route::get('/customers', [CustomerController::class, 'index'])->can('viewAny', CustomerJob::class);
    Route::post('/summaries', [TaskController::class, 'summaries'])->can('viewAny', CustomerJob::class);
    Route::get('/tasks/{task}', [TaskController::class, 'show'])->can('view', 'task');
    Route::delete('/tasks/{task}', [TaskController::class, 'destroy'])->can('update', 'task');

    Route::post('/jobs', [JobController::class, 'store'])->can('create', CustomerJob::class);
    Route::post('/jobs/{job}/presence', [JobController::class, 'presence'])->can('view', 'job');
    Route::get('/jobs/{job}/brief', [BriefController::class, 'show'])->can('view', 'job');
    Route::get('/jobs/{job}/brief/state', [BriefController::class, 'state'])->can('view', 'job');
    Route::post('/jobs/{job}/brief/edits', [EditController::class, 'brief'])->can('update', 'job');
    Route::post('/jobs/{job}/plans', [PlanController::class, 'store'])->can('update', 'job');
    Route::scopeBindings()->group(function (): void {
        Route::get('/jobs/{job}/bench/{plan?}', BenchController::class)->can('view', 'job');
        Route::put('/jobs/{job}/plans/{plan}/choice', [PlanController::class, 'choose'])->can('update', 'job');
    });

    Route::get('/plans/{plan}', [PlanController::class, 'show'])->can('view', 'plan');
    Route::delete('/plans/{plan}', [PlanController::class, 'destroy'])->can('update', 'plan');
    Route::post('/plans/{plan}/restore', [PlanController::class, 'restore'])->withTrashed()->can('update', 'plan');
    Route::post('/plans/{plan}/edits', [EditController::class, 'plan'])->can('update', 'plan');
    Route::get('/plans/{plan}/bundle', [PlanController::class, 'bundle'])->can('view', 'plan');
    Route::get('/plans/{plan}/cell', [PlanController::class, 'cell'])->can('view', 'plan')->name('cell');
    Route::get('/plans/{plan}/stage', [PlanController::class, 'stage'])->can('view', 'plan')->name('stage');
    Route::get('/plans/{plan}/curves', [PlanController::class, 'curves'])->can('view', 'plan')->name('curves');
    Route::get('/plans/{plan}/reasons', [PlanController::class, 'reasons'])->can('view', 'plan')->name('reasons');
    Route::get('/plans/{plan}/fixes', [PlanController::class, 'fixes'])->can('view', 'plan')->name('fixes');
    Route::get('/plans/{plan}/revisions', [PlanController::class, 'revisions'])->can('view', 'plan');
    Route::get('/plans/{plan}/revisions/{number}', [PlanController::class, 'past'])->can('view', 'plan');
    Route::get('/plans/{plan}/variants', [VariantController::class, 'index'])->can('view', 'plan');
    Route::post('/plans/{plan}/variants', [VariantController::class, 'store'])->can('update', 'plan');
    Route::scopeBindings()->group(function (): void {
        Route::get('/plans/{plan}/variants/{variant}', [VariantController::class, 'show'])->can('view', 'plan');
        Route::post('/plans/{plan}/variants/{variant}/restore', [VariantController::class, 'restore'])->withTrashed()->can('update', 'plan');
        Route::delete('/plans/{plan}/variants/{variant}', [VariantController::class, 'destroy'])->can('update', 'plan');
    });
});
