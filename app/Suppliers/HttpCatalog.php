<?php

namespace App\Suppliers;

use App\Models\Supplier;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\Factory;
use Illuminate\Http\Client\Response;

/** Asks a supplier's service page by page: JSON over HTTP, as docs/formats.md has it. Whole, or not at all. */
final readonly class HttpCatalog implements SupplierCatalog
{
    /** s for one page, and pages at the most. */
    private const PATIENCE = 6;

    private const PAGES = 400;

    private const BYTES = 4_000_000;

    private const ITEMS = 60_000;

    public function __construct(private Factory $http, private string $standIn) {}

    public function items(Supplier $supplier, string $currency): array
    {
        $items = [];
        for ($page = 1, $pages = 1; $page <= $pages; $page++) {
            $answer = $this->page($supplier, $page);
            $pages = $answer['pages'];
            $pages <= self::PAGES || throw new SupplierTrouble('It has more pages than a catalog has.');
            $answer['currency'] === $currency || throw new SupplierTrouble("It answers in {$answer['currency']}, and the shop counts in {$currency}.");
            array_push($items, ...$answer['items']);
            count($items) <= self::ITEMS || throw new SupplierTrouble('It names more parts than a catalog has.');
        }

        return $items;
    }

    /** @return array{pages: int, currency: string, items: list<array<string, mixed>>} */
    private function page(Supplier $supplier, int $page): array
    {
        $address = $supplier->address === Supplier::STAND_IN ? $this->standIn : (string) $supplier->address;
        try {
            $response = $this->http->timeout(self::PATIENCE)->connectTimeout(2)->withoutRedirecting()->withOptions(['progress' => self::bound(...)])->acceptJson()->get("{$address}/catalog", ['page' => $page]);
        } catch (ConnectionException) {
            throw new SupplierTrouble('It did not answer within '.self::PATIENCE.' seconds.');
        }
        $response->successful() || throw new SupplierTrouble("It refused to answer ({$response->status()}).");

        return self::read($response);
    }

    /** Called while an answer comes in: more than a page holds is broken off. */
    private static function bound(int $announced, int $received): void
    {
        max($announced, $received) <= self::BYTES || throw new SupplierTrouble('It answered more than a page holds.');
    }

    /** @return array{pages: int, currency: string, items: list<array<string, mixed>>} */
    private static function read(Response $response): array
    {
        $body = $response->body();
        $said = json_decode($body, true, 16);
        is_array($said) || throw new SupplierTrouble(str_starts_with(ltrim($body), '{') ? 'Its answer broke off half way.' : 'It answered something that is no catalog.');
        $items = $said['items'] ?? null;
        if (! is_int($said['pages'] ?? null) || $said['pages'] < 1 || ! is_string($said['currency'] ?? null) || ! is_array($items) || ! array_is_list($items) || array_filter($items, is_array(...)) !== $items) {
            throw new SupplierTrouble('It answered something that is no catalog.');
        }

        /** @var list<array<string, mixed>> $items */
        return ['pages' => $said['pages'], 'currency' => $said['currency'], 'items' => $items];
    }
}
