<?php

namespace App\Http\Controllers;

use App\Database\Replica;
use App\Http\Requests\SearchRequest;
use App\Queries\CustomerSearch;
use Illuminate\Http\JsonResponse;

final class CustomerController
{
    public function index(SearchRequest $request, Replica $replica): JsonResponse
    {
        return response()->json($replica->read(fn (): array => CustomerSearch::of($request->person(), $request->words())));
    }
}
