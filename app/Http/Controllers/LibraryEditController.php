<?php

namespace App\Http\Controllers;

use App\Actions\Library\EditLibrary;
use App\Actions\Library\MakePlatform;
use App\Actions\Library\PublishLibrary;
use App\Actions\Once;
use App\Assembly\DraftLibrary;
use App\Http\Requests\LibraryEditRequest;
use App\Http\Requests\NewPlatformRequest;
use App\Http\Requests\PublishRequest;
use App\Http\Requests\RetireRequest;
use App\Http\Requests\SeenRequest;
use App\Models\Platform;
use App\Queries\LibraryKept;
use App\Queries\LibraryLook;
use App\Queries\PartPage;
use App\Queries\PlatformPage;
use Illuminate\Http\JsonResponse;
use Inertia\Inertia;
use Inertia\Response;
use Pebblerun\Formats\DocumentReader;

/** Platforms and parts, changed in place: looked at as somebody types, kept, taken back, published. */
final class LibraryEditController
{
    public function platform(SeenRequest $request, Platform $platform): Response
    {
        return Inertia::render('Platform', PlatformPage::of($platform, $request->person()));
    }

    public function part(SeenRequest $request, Platform $platform, string $key): Response
    {
        return Inertia::render('Part', PartPage::of($platform, $key, $request->from(), $request->person()));
    }

    public function store(NewPlatformRequest $request, MakePlatform $make): JsonResponse
    {
        $of = $request->integer('sibling_of');
        $platform = $of === 0
            ? $make->from($request->answers(), $request->person())
            : $make->sibling(Platform::query()->where('shop_id', $request->person()->shop_id)->findOrFail($of), $request->string('name')->value(), $request->person());

        return response()->json(['id' => $platform->id], 201);
    }

    public function look(LibraryEditRequest $request, Platform $platform, DocumentReader $reader): JsonResponse
    {
        $draft = DraftLibrary::of($platform, $request->person()->shop)->withPlatform($request->document());

        return response()->json((new LibraryLook($draft, $request->person()))->of('', $reader));
    }

    public function lookAtPart(LibraryEditRequest $request, Platform $platform, string $key, DocumentReader $reader): JsonResponse
    {
        $draft = DraftLibrary::of($platform, $request->person()->shop)->withPart($key, ['key' => $key, ...$request->document()]);

        return response()->json((new LibraryLook($draft, $request->person()))->of($key, $reader));
    }

    public function keep(LibraryEditRequest $request, Platform $platform, EditLibrary $edit): JsonResponse
    {
        $edit->change($platform, '', $request->document(), $request->seen(), $request->person());

        return response()->json(LibraryKept::of($platform->refresh(), '', $request->person()));
    }

    public function keepPart(LibraryEditRequest $request, Platform $platform, string $key, EditLibrary $edit): JsonResponse
    {
        $edit->change($platform, $key, $request->document(), $request->seen(), $request->person());

        return response()->json(LibraryKept::of($platform, $key, $request->person()));
    }

    public function addPart(LibraryEditRequest $request, Platform $platform, EditLibrary $edit, Once $once): JsonResponse
    {
        $also = $request->also();
        $added = $once->do($request->person()->shop, $request->requestName(), [$platform->id, $request->document(), array_column($also, 'id')], fn (): string => $edit->add([$platform, ...$also], $request->document(), $request->person())->subject);

        return response()->json(LibraryKept::of($platform, (string) $added, $request->person()), 201);
    }

    /** Retired where plans have it, and gone where none does. */
    public function retirePart(RetireRequest $request, Platform $platform, string $key, EditLibrary $edit): JsonResponse
    {
        $part = DraftLibrary::of($platform, $request->person()->shop)->subject($key) ?? abort(404);
        $edit->change($platform, $key, $request->goes() ? null : [...$part, 'retired' => $request->retired()], $request->seen(), $request->person());

        return response()->json(LibraryKept::of($platform, $key, $request->person()));
    }

    public function undo(SeenRequest $request, Platform $platform, int $number, EditLibrary $edit): JsonResponse
    {
        $edit->undo($platform, $number, $request->person());

        return response()->json(LibraryKept::of($platform->refresh(), '', $request->person()));
    }

    public function publish(PublishRequest $request, Platform $platform, PublishLibrary $publish): JsonResponse
    {
        $doubts = $request->confirmed() ? [] : (new LibraryLook(DraftLibrary::of($platform, $request->person()->shop), $request->person()))->doubts();
        if ($doubts !== []) {
            return response()->json(['message' => count($doubts) === 1 ? 'One thing is hard to believe.' : count($doubts).' things are hard to believe.', 'doubts' => $doubts], 422);
        }
        $publish->publish($platform, $request->seen(), $request->person());

        return response()->json(LibraryKept::of($platform, '', $request->person()), 201);
    }
}
