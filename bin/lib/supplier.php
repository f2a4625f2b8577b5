<?php

/**
 * A stand-in for a supplier that is asked over the wire: prices, stock and lead times of what it sells, seeded, moving with the day.
 *
 *   PEBBLERUN_STAND_IN=FOLDER php -S 127.0.0.1:8845 bin/lib/supplier.php      a folder of its own, to remember what goes wrong
 *
 *   GET /catalog?page=1[&day=2026-11-26]   {"supplier", "currency", "day", "page", "pages", "items": [{article, maker, name, price, used, stock, lead_days}]}
 *   PUT /trouble {"kind": "late"|"half"|"pours"|"nonsense"|"refuses"|"gone"|"wrong"|"none"}   what goes wrong from then on
 */
const PER_PAGE = 50;

$answer = function (int $status, mixed $body): never {
    http_response_code($status);
    header('Content-Type: application/json');
    echo is_string($body) ? $body : json_encode($body, JSON_UNESCAPED_UNICODE);
    exit;
};
$memory = getenv('PEBBLERUN_STAND_IN').'/trouble';
$path = parse_url((string) $_SERVER['REQUEST_URI'], PHP_URL_PATH);
if ($path === '/trouble' && $_SERVER['REQUEST_METHOD'] === 'PUT') {
    $kind = json_decode((string) file_get_contents('php://input'), true)['kind'] ?? 'none';
    in_array($kind, ['late', 'half', 'pours', 'nonsense', 'refuses', 'gone', 'wrong', 'none'], true) || $answer(422, ['message' => 'There is no such trouble.']);
    file_put_contents($memory, $kind);
    $answer(200, ['kind' => $kind]);
}
$path === '/catalog' || $answer(404, ['message' => 'This supplier has a catalog: GET /catalog']);

$trouble = is_file($memory) ? (string) file_get_contents($memory) : 'none';
$day = preg_match('/^\d{4}-\d\d-\d\d$/', (string) ($_GET['day'] ?? '')) === 1 ? (string) $_GET['day'] : gmdate('Y-m-d');
// Between 0 and 1, the same for one thing on one day.
$draw = fn (string $what, string $on): float => hexdec(substr(hash('sha256', "{$what} {$on}"), 0, 8)) / 0xFFFFFFFF;
$items = [];
foreach (glob(dirname(__DIR__, 2).'/demo/parts/*.json') ?: [] as $file) {
    foreach (json_decode((string) file_get_contents($file), true)['parts'] as $part) {
        $likely = is_array($part['price']['new']) ? $part['price']['new'][1] : $part['price']['new'];
        $article = strtoupper(substr($part['maker'], 0, 2)).'-'.(1000 + (int) (8999 * $draw($part['key'], 'number')));
        if (isset($part['map']) || isset($items[$article])) {
            continue;
        }
        // A price stays for weeks and then moves by some percent; stock and lead time move every day.
        $weeks = intdiv((int) strtotime($day), 6 * 604_800);
        $price = $likely * (0.97 + 0.08 * $draw($part['key'], "price {$weeks}"));
        $stock = max(0, (int) (14 * $draw($part['key'], "stock {$day}")) - 3);
        $items[$article] = ['article' => $article, 'maker' => $part['maker'], 'name' => $part['name'], 'price' => round($price, 2), 'stock' => $stock, 'lead_days' => $stock > 0 ? 1 + (int) (2 * $draw($part['key'], "lead {$day}")) : 5 + (int) (16 * $draw($part['key'], "lead {$day}"))];
    }
}
ksort($items);
$pages = max(1, (int) ceil(count($items) / PER_PAGE));
$page = max(1, (int) ($_GET['page'] ?? 1));
$shown = array_slice(array_values($items), ($page - 1) * PER_PAGE, PER_PAGE);
if ($trouble === 'wrong') {
    $shown = array_map(fn (array $item): array => [...$item, 'price' => -5, 'stock' => 'plenty'], $shown);
}
$whole = ['supplier' => 'Skerry Wholesale', 'currency' => 'EUR', 'day' => $day, 'page' => $page, 'pages' => $pages, 'items' => $shown];
match ($trouble) {
    'late' => sleep(20),
    'half' => $answer(200, substr((string) json_encode($whole), 0, 900)),
    'pours' => $answer(200, str_repeat('x', 30_000_000)),
    'nonsense' => $answer(200, '<html><body>Back soon</body></html>'),
    'refuses' => $answer(503, ['message' => 'Stocktaking.']),
    'gone' => $answer(404, ['message' => 'Nothing here.']),
    default => null,
};
$answer(200, $whole);
