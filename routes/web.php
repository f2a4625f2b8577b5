<?php

use App\Http\Controllers\AccountController;
use App\Http\Controllers\AuditController;
use App\Http\Controllers\BeginController;
use App\Http\Controllers\BenchController;
use App\Http\Controllers\BriefController;
use App\Http\Controllers\CaughtMailController;
use App\Http\Controllers\CounterController;
use App\Http\Controllers\CustomerController;
use App\Http\Controllers\EditController;
use App\Http\Controllers\EvidenceController;
use App\Http\Controllers\FilesController;
use App\Http\Controllers\HealthController;
use App\Http\Controllers\JobController;
use App\Http\Controllers\LibraryController;
use App\Http\Controllers\LibraryEditController;
use App\Http\Controllers\PasswordController;
use App\Http\Controllers\PeopleController;
use App\Http\Controllers\PersonController;
use App\Http\Controllers\PlanController;
use App\Http\Controllers\PriceListController;
use App\Http\Controllers\SearchController;
use App\Http\Controllers\SignInController;
use App\Http\Controllers\TaskController;
use App\Http\Controllers\VariantController;
use App\Http\Middleware\MemberOfShop;
use App\Http\Middleware\SameOrigin;
use App\Models\AuditEntry;
use App\Models\CaughtMail;
use App\Models\CustomerJob;
use App\Models\Membership;
use App\Models\Platform;
use App\Models\PriceList;
use App\Models\Shop;
use App\Models\Supplier;
use Illuminate\Support\Facades\Route;

Route::middleware(['guest', SameOrigin::class])->group(function (): void {
    Route::get('/sign-in', [SignInController::class, 'show'])->name('login');
    Route::post('/sign-in', [SignInController::class, 'store']);
    Route::get('/sign-in/code', [SignInController::class, 'code']);
    Route::post('/sign-in/code', [SignInController::class, 'confirm']);
    Route::get('/forgotten', [PasswordController::class, 'ask']);
    Route::post('/forgotten', [PasswordController::class, 'send']);
});
Route::get('/up', [HealthController::class, 'monitor'])->withoutMiddleware(['web']);
Route::middleware(SameOrigin::class)->group(function (): void {
    Route::get('/password/{token}', [PasswordController::class, 'show']);
    Route::post('/password/{token}', [PasswordController::class, 'store']);
    Route::get('/sign-in/link/{token}', [SignInController::class, 'link']);
    Route::post('/sign-in/link/{token}', [SignInController::class, 'useLink']);
    Route::get('/begin/{token}', [BeginController::class, 'show']);
    Route::post('/begin/{token}', [BeginController::class, 'store']);
});

Route::middleware(['auth', MemberOfShop::class])->group(function (): void {
    Route::get('/signed-in', [SignInController::class, 'signedIn']);
    Route::post('/sign-out', [SignInController::class, 'destroy']);
    Route::get('/me', [PersonController::class, 'show']);
    Route::put('/me', [PersonController::class, 'update']);
    Route::get('/account', [AccountController::class, 'show']);
    Route::put('/account/shop', [AccountController::class, 'shop']);
    Route::put('/account/invitations/{membership}', [AccountController::class, 'accept'])->can('answer', 'membership');
    Route::delete('/account/invitations/{membership}', [AccountController::class, 'decline'])->can('answer', 'membership');
    Route::put('/account/password', [AccountController::class, 'password']);
    Route::delete('/account/sessions', [AccountController::class, 'endOthers']);
    Route::delete('/account/sessions/{session}', [AccountController::class, 'endSession']);
    Route::post('/account/factor', [AccountController::class, 'beginFactor']);
    Route::put('/account/factor', [AccountController::class, 'confirmFactor']);
    Route::delete('/account/factor', [AccountController::class, 'endFactor']);

    Route::get('/people', [PeopleController::class, 'show'])->can('viewAny', Membership::class);
    Route::post('/people', [PeopleController::class, 'store'])->can('create', Membership::class);
    Route::put('/people/{membership}/role', [PeopleController::class, 'role'])->can('update', 'membership');
    Route::post('/people/{membership}/invitation', [PeopleController::class, 'invite'])->can('update', 'membership');
    Route::post('/people/{membership}/deactivation', [PeopleController::class, 'deactivate'])->can('update', 'membership');
    Route::delete('/people/{membership}/deactivation', [PeopleController::class, 'reactivate'])->can('update', 'membership');
    Route::get('/audit', [AuditController::class, 'index'])->can('viewAny', AuditEntry::class);
    Route::get('/health', [HealthController::class, 'show'])->can('health', Shop::class);
    Route::get('/caught-mail', [CaughtMailController::class, 'index'])->can('viewAny', CaughtMail::class);

    Route::get('/', [CounterController::class, 'show'])->can('viewAny', CustomerJob::class);
    Route::get('/search', SearchController::class)->can('viewAny', Platform::class);
    Route::get('/customers', [CustomerController::class, 'index'])->can('viewAny', CustomerJob::class);
    Route::post('/summaries', [TaskController::class, 'summaries'])->can('viewAny', CustomerJob::class);
    Route::get('/tasks/{task}', [TaskController::class, 'show'])->can('view', 'task');
    Route::delete('/tasks/{task}', [TaskController::class, 'destroy'])->can('update', 'task');

    Route::get('/price-lists', [PriceListController::class, 'index'])->can('viewAny', PriceList::class);
    Route::get('/price-lists/{list}', [PriceListController::class, 'show'])->can('view', 'list');
    Route::get('/price-lists/{list}/rows', [PriceListController::class, 'rows'])->can('view', 'list');
    Route::post('/price-lists/{list}/look', [PriceListController::class, 'look'])->can('view', 'list');
    Route::post('/price-lists/{list}/taking', [PriceListController::class, 'take'])->can('view', 'list');
    Route::post('/price-lists/{list}/undo', [PriceListController::class, 'undo'])->can('view', 'list');
    Route::post('/suppliers', [PriceListController::class, 'supplier'])->can('create', Supplier::class);
    Route::post('/suppliers/{supplier}/refresh', [PriceListController::class, 'refresh'])->can('update', 'supplier');
    Route::post('/suppliers/{supplier}/price-lists', [PriceListController::class, 'store'])->can('update', 'supplier');

    Route::get('/library', [LibraryController::class, 'index'])->can('viewAny', Platform::class);
    Route::post('/library/documents', [FilesController::class, 'take'])->can('create', Platform::class);
    Route::get('/library/{platform}/files/{file}', [FilesController::class, 'file'])->where('file', 'platform\.json|parts\.json|parts\.csv')->can('view', 'platform');
    Route::get('/archive', [FilesController::class, 'archive'])->can('export', Shop::class);
    Route::get('/library/{platform}', [LibraryController::class, 'show'])->can('view', 'platform');
    Route::post('/library', [LibraryEditController::class, 'store'])->can('create', Platform::class);
    Route::get('/library/{platform}/platform', [LibraryEditController::class, 'platform'])->can('view', 'platform');
    Route::put('/library/{platform}', [LibraryEditController::class, 'keep'])->can('update', 'platform');
    Route::post('/library/{platform}/look', [LibraryEditController::class, 'look'])->can('update', 'platform');
    Route::post('/library/{platform}/publication', [LibraryEditController::class, 'publish'])->can('update', 'platform');
    Route::post('/library/{platform}/edits/{number}/undo', [LibraryEditController::class, 'undo'])->can('update', 'platform');
    Route::post('/library/{platform}/parts', [LibraryEditController::class, 'addPart'])->can('update', 'platform');
    Route::get('/library/{platform}/parts/{key}', [LibraryEditController::class, 'part'])->can('view', 'platform');
    Route::put('/library/{platform}/parts/{key}', [LibraryEditController::class, 'keepPart'])->can('update', 'platform');
    Route::post('/library/{platform}/parts/{key}/look', [LibraryEditController::class, 'lookAtPart'])->can('update', 'platform');
    Route::post('/library/{platform}/parts/{key}/retirement', [LibraryEditController::class, 'retirePart'])->can('update', 'platform');
    Route::get('/library/{platform}/parts/{key}/evidence', [EvidenceController::class, 'gains'])->can('view', 'platform');
    Route::post('/library/{platform}/parts/{key}/evidence', [EvidenceController::class, 'record'])->can('measure', 'platform');
    Route::post('/library/{platform}/parts/{key}/evidence/rule', [EvidenceController::class, 'rule'])->can('update', 'platform');
    Route::get('/library/{platform}/outcomes', [EvidenceController::class, 'limits'])->can('view', 'platform');
    Route::post('/library/{platform}/limit-records', [EvidenceController::class, 'limitRecord'])->can('measure', 'platform');
    Route::post('/library/{platform}/outcomes', [EvidenceController::class, 'outcome'])->can('measure', 'platform');
    Route::get('/parts/{part}', [LibraryController::class, 'part'])->can('view', 'part');
    Route::get('/parts/{part}/prices', [LibraryController::class, 'prices'])->can('view', 'part');
    Route::post('/parts/{part}/prices', [LibraryController::class, 'setPrice'])->can('price', 'part');

    Route::post('/jobs', [JobController::class, 'store'])->can('create', CustomerJob::class);
    Route::post('/jobs/bundles', [JobController::class, 'bundle'])->can('create', CustomerJob::class);
    Route::get('/jobs/{job}/version', [JobController::class, 'version'])->can('view', 'job');
    Route::post('/jobs/{job}/presence', [JobController::class, 'presence'])->can('view', 'job');
    Route::get('/jobs/{job}/brief', [BriefController::class, 'show'])->can('view', 'job');
    Route::get('/jobs/{job}/brief/state', [BriefController::class, 'state'])->can('view', 'job');
    Route::post('/jobs/{job}/brief/edits', [EditController::class, 'brief'])->can('update', 'job');
    Route::post('/jobs/{job}/plans', [PlanController::class, 'store'])->can('plan', 'job');
    Route::scopeBindings()->group(function (): void {
        Route::get('/jobs/{job}/bench/{plan?}', BenchController::class)->can('view', 'job');
        Route::put('/jobs/{job}/plans/{plan}/choice', [PlanController::class, 'choose'])->can('plan', 'job');
    });

    Route::get('/plans/{plan}', [PlanController::class, 'show'])->can('view', 'plan');
    Route::delete('/plans/{plan}', [PlanController::class, 'destroy'])->can('update', 'plan');
    Route::post('/plans/{plan}/restore', [PlanController::class, 'restore'])->withTrashed()->can('update', 'plan');
    Route::post('/plans/{plan}/edits', [EditController::class, 'plan'])->can('update', 'plan');
    Route::get('/plans/{plan}/bundle', [PlanController::class, 'bundle'])->can('view', 'plan');
    Route::get('/plans/{plan}/cell', [PlanController::class, 'cell'])->can('view', 'plan')->name('cell');
    Route::get('/plans/{plan}/stage', [PlanController::class, 'stage'])->can('view', 'plan')->name('stage');
    Route::get('/plans/{plan}/curves', [PlanController::class, 'curves'])->can('view', 'plan')->name('curves');
    Route::get('/plans/{plan}/renewal', [PlanController::class, 'renewal'])->can('view', 'plan');
    Route::get('/plans/{plan}/reasons', [PlanController::class, 'reasons'])->can('view', 'plan')->name('reasons');
    Route::get('/plans/{plan}/fixes', [PlanController::class, 'fixes'])->can('view', 'plan')->name('fixes');
    Route::get('/plans/{plan}/revisions', [PlanController::class, 'revisions'])->can('view', 'plan');
    Route::get('/plans/{plan}/revisions/{number}', [PlanController::class, 'past'])->can('view', 'plan');
    Route::get('/plans/{plan}/variants', [VariantController::class, 'index'])->can('view', 'plan');
    Route::get('/plans/{plan}/comparison', [VariantController::class, 'compare'])->can('view', 'plan');
    Route::post('/plans/{plan}/variants', [VariantController::class, 'store'])->can('update', 'plan');
    Route::scopeBindings()->group(function (): void {
        Route::post('/plans/{plan}/variants/{variant}/restore', [VariantController::class, 'restore'])->withTrashed()->can('update', 'plan');
        Route::delete('/plans/{plan}/variants/{variant}', [VariantController::class, 'destroy'])->can('update', 'plan');
    });
});
