<?php

namespace App\Http\Controllers;

use App\Actions\PriceLists\ChooseParts;
use App\Actions\PriceLists\MatchPriceList;
use App\Actions\PriceLists\RefreshSupplier;
use App\Actions\PriceLists\SendPriceList;
use App\Actions\PriceLists\TakePriceList;
use App\Actions\StartTask;
use App\FileTasks\TakeLookedPriceList;
use App\Http\Requests\ChoosePartsRequest;
use App\Http\Requests\MatchingRequest;
use App\Http\Requests\PersonRequest;
use App\Http\Requests\PriceListRequest;
use App\Http\Requests\RowsRequest;
use App\Http\Requests\SupplierRequest;
use App\Http\Requests\TakingRequest;
use App\Models\PriceList;
use App\Models\Supplier;
use App\Queries\PriceListPage;
use App\Queries\TaskState;
use Illuminate\Http\JsonResponse;
use Inertia\Inertia;
use Inertia\Response;

/** Suppliers' price lists: sent, matched, looked at, taken in, taken back. */
final class PriceListController
{
    public function index(PersonRequest $request): Response
    {
        return Inertia::render('PriceLists', PriceListPage::of(null, $request->person()));
    }

    public function show(PersonRequest $request, PriceList $list): Response
    {
        return Inertia::render('PriceLists', PriceListPage::of($list, $request->person()));
    }

    public function supplier(SupplierRequest $request): JsonResponse
    {
        $supplier = Supplier::create(['shop_id' => $request->person()->shop_id, 'name' => $request->string('name')->value()]);

        return response()->json(['id' => $supplier->id], 201);
    }

    public function refresh(PersonRequest $request, Supplier $supplier, RefreshSupplier $refresh): JsonResponse
    {
        return response()->json(['changed' => $refresh->refresh($supplier, $request->person())]);
    }

    public function store(PriceListRequest $request, Supplier $supplier, SendPriceList $send): JsonResponse
    {
        $list = $send->send($supplier, $request->string('name')->value(), $request->bytes(), $request->person());

        return response()->json(['id' => $list->id], 201);
    }

    public function look(MatchingRequest $request, PriceList $list, MatchPriceList $match): JsonResponse
    {
        return response()->json(TaskState::of($match->match($list, $request->said(), $request->string('as_of')->value(), $request->person())), 202);
    }

    public function rows(RowsRequest $request, PriceList $list): JsonResponse
    {
        return response()->json(PriceListPage::rows($list, $request->string('outcome')->value(), $request->integer('after'), $request->person()));
    }

    public function choose(ChoosePartsRequest $request, PriceList $list, int $line, ChooseParts $choose): JsonResponse
    {
        $choose->choose($list, $line, $request->parts());

        return response()->json(PriceListPage::list($list->refresh(), $request->person()));
    }

    public function take(TakingRequest $request, PriceList $list, StartTask $tasks): JsonResponse
    {
        return response()->json(TaskState::of($tasks->start(TakeLookedPriceList::class, TakeLookedPriceList::KIND, $request->subject($list), $list->shop_id, $request->person())), 202);
    }

    public function undo(PersonRequest $request, PriceList $list, TakePriceList $take): JsonResponse
    {
        $take->undo($list);

        return response()->json(PriceListPage::list($list->refresh(), $request->person()));
    }
}
