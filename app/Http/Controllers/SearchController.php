<?php

namespace App\Http\Controllers;

use App\Database\Replica;
use App\Http\Requests\SearchRequest;
use App\Queries\Search;
use Illuminate\Http\JsonResponse;

final class SearchController
{
    public function __invoke(SearchRequest $request, Replica $replica): JsonResponse
    {
        return response()->json($replica->read(fn (): array => Search::of($request->person(), $request->words())));
    }
}
