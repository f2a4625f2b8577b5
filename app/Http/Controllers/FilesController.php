<?php

namespace App\Http\Controllers;

use App\Actions\Library\TakeDocuments;
use App\Archive\ExportShop;
use App\Assembly\DraftLibrary;
use App\Assembly\Reading;
use App\Http\Requests\DocumentsRequest;
use App\Http\Requests\PersonRequest;
use App\Models\Platform;
use App\Queries\PartsTable;
use App\Security\Audit;
use App\Security\AuditEvent;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** The library in the open formats, out and in; and everything that the shop owns as one archive. */
final class FilesController
{
    public function file(PersonRequest $request, Platform $platform, string $file): Response|JsonResponse
    {
        $draft = DraftLibrary::of($platform, $request->person()->shop);
        $name = 'attachment; filename="'.$platform->key.'-'.$file.'"';
        if ($file === 'parts.csv') {
            return response(PartsTable::of($draft, Reading::of($request->person())->formatter($draft->opened())), 200, ['Content-Type' => 'text/csv; charset=UTF-8', 'Content-Disposition' => $name]);
        }

        return response()->json($file === 'platform.json' ? $draft->platformDocument() : $draft->partsDocument(), 200, ['Content-Disposition' => $name], JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION);
    }

    public function take(DocumentsRequest $request, TakeDocuments $take): JsonResponse
    {
        return response()->json($take->take($request->person()->shop, $request->platformText(), $request->partsText(), $request->isDry(), $request->person())->toArray());
    }

    public function archive(PersonRequest $request, ExportShop $export, Audit $audit): BinaryFileResponse
    {
        $shop = $request->person()->shop;
        $file = $export->to($shop);
        $audit->note(AuditEvent::ShopExported, $request->person());

        return response()->download($file, 'pebblerun-'.$shop->today().'.zip', ['Content-Type' => 'application/zip'])->deleteFileAfterSend();
    }
}
