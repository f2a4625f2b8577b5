<?php

namespace App\Http\Controllers;

use App\Actions\StartTask;
use App\Archive\ExportShop;
use App\Assembly\DraftLibrary;
use App\Assembly\Reading;
use App\FileTasks\TakeSentDocuments;
use App\Http\Requests\DocumentsRequest;
use App\Http\Requests\PersonRequest;
use App\Identity\Audit;
use App\Models\Platform;
use App\Queries\PartsTable;
use App\Queries\TaskState;
use App\Security\AuditEvent;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;

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

    public function take(DocumentsRequest $request, StartTask $tasks): JsonResponse
    {
        return response()->json(TaskState::of($tasks->start(TakeSentDocuments::class, TakeSentDocuments::KIND, $request->subject(), $request->person()->shop_id, $request->person(), $request->files())), 202);
    }

    public function archive(PersonRequest $request, ExportShop $export, Audit $audit): StreamedResponse
    {
        $shop = $request->person()->shop;
        $audit->note(AuditEvent::ShopExported, $request->person());

        return response()->streamDownload(fn () => $export->to($shop, function (string $piece): void {
            echo $piece;
        }), 'pebblerun-'.$shop->today().'.zip', ['Content-Type' => 'application/zip', 'X-Accel-Buffering' => 'no']);
    }
}
