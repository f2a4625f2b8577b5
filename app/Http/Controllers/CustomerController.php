<?php

namespace App\Http\Controllers;

use App\Http\Requests\SearchRequest;
use App\Queries\CustomerSearch;
use Illuminate\Http\JsonResponse;

final class CustomerController
{
    public function index(SearchRequest $request): JsonResponse
    {
        return response()->json(CustomerSearch::of($request->person(), $request->words()));
    }
}
