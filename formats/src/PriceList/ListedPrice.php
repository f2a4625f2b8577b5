<?php

namespace Pebblerun\Formats\PriceList;

use Pebblerun\Core\Evaluation\Money\Margin;
use Pebblerun\Core\Evaluation\Money\Tax;
use Pebblerun\Formats\PlainText;

/** One line of a price list, read: without tax, in the shop's currency; or why it is refused. */
final readonly class ListedPrice
{
    private const MOST = 1_000_000.0;

    private const MOST_DAYS = 365;

    /** Letters of a name. */
    private const LONGEST = 200;

    /** @param  string  $fault  empty for none */
    private function __construct(public string $article, public string $maker, public string $name, public ?float $price, public ?float $used, public ?int $leadDays, public string $fault, public ?int $stock = null, public string $key = '') {}

    /**
     * @param  list<string>  $cells
     * @param  float  $tax  percent
     * @param  int  $decimals  of the shop's currency
     * @param  float  $margin  percent, which is laid on what the shop pays where the list says that
     */
    public static function of(array $cells, Matching $matching, float $tax, int $decimals, float $margin = 0.0): self
    {
        $at = $matching->columns;
        $key = $cells[$at['key'] ?? -1] ?? '';
        $article = $cells[$at['article'] ?? -1] ?? '';
        $maker = $cells[$at['maker'] ?? -1] ?? '';
        $name = $cells[$at['name'] ?? -1] ?? '';
        $faults = [];
        $margin = $matching->cost ? $margin : 0.0;
        $price = self::money($cells[$at['price']] ?? '', 'price', $matching, $tax, $decimals, $faults, $margin);
        $used = self::money($cells[$at['used'] ?? -1] ?? '', 'used price', $matching, $tax, $decimals, $faults, $margin);
        if (($cells[$at['price']] ?? '') === '') {
            $faults[] = 'it has no price';
        }
        if ($key === '' && $article === '' && ($maker === '' || $name === '')) {
            $faults[] = 'it names no part: give an article number, or maker and name';
        }
        $words = "{$article}{$maker}{$name}";
        if (strlen($words) > self::LONGEST || ! PlainText::isName($words)) {
            $faults = [...$faults, ...self::unreadable(['article' => $article, 'maker' => $maker, 'name' => $name])];
        }
        $days = $cells[$at['lead_days'] ?? -1] ?? '';
        $lead = ctype_digit($days) && strlen($days) <= 3 && (int) $days <= self::MOST_DAYS ? (int) $days : null;
        if ($days !== '' && $lead === null) {
            $faults[] = 'the lead time "'.mb_substr($days, 0, 40).'" is no number of days up to '.self::MOST_DAYS;
        }

        return new self($article, $maker, $name, $price, $used, $lead, implode('; ', $faults), key: $key);
    }

    /**
     * Without tax, in the shop's currency; null for none.
     *
     * @param  list<string>  $faults  to which what is wrong is added
     * @param  float  $margin  percent
     */
    private static function money(string $text, string $what, Matching $matching, float $tax, int $decimals, array &$faults, float $margin): ?float
    {
        if ($text === '') {
            return null;
        }
        $figure = self::figure($text, $matching->decimal);
        if ($figure === null) {
            $other = self::figure($text, $matching->decimal === 'comma' ? 'point' : 'comma') === null ? 'a figure such as '.($matching->decimal === 'comma' ? '1.234,50' : '1,234.50') : 'decimals with a '.($matching->decimal === 'comma' ? 'comma' : 'point').', as the rest of the list';
            $faults[] = "the {$what} \"".mb_substr($text, 0, 40)."\" is no figure here: write {$other}";

            return null;
        }
        if ($figure < 0.0 || $figure * $matching->rate > self::MOST) {
            $faults[] = "the {$what} {$text} is out of reach: from 0 to 1,000,000";

            return null;
        }

        return round(Margin::on($matching->rate * ($matching->taxed ? Tax::off($figure, $tax) : $figure), $margin), $decimals);
    }

    /**
     * @param  array<string, string>  $words
     * @return list<string>
     */
    private static function unreadable(array $words): array
    {
        $bad = array_filter($words, fn (string $text): bool => mb_strlen($text) > self::LONGEST || ! PlainText::isName($text));

        return array_map(fn (string $field): string => "its {$field} is longer than ".self::LONGEST.' letters, or has letters that nobody sees', array_keys($bad));
    }

    /**
     * What a supplier answers over the wire: without tax, in the shop's currency.
     *
     * @param  array<string, mixed>  $item  article, maker, name, price; used, stock and lead_days where they are known
     */
    public static function answered(array $item, int $decimals): self
    {
        $text = fn (string $field): string => is_string($item[$field] ?? null) && mb_strlen($item[$field]) <= 200 && PlainText::isName($item[$field]) ? trim($item[$field]) : '';
        $money = fn (string $field): ?float => is_int($item[$field] ?? null) || is_float($item[$field] ?? null) ? round((float) $item[$field], $decimals) : null;
        $whole = fn (string $field, int $most): ?int => is_int($item[$field] ?? null) && $item[$field] >= 0 && $item[$field] <= $most ? $item[$field] : null;
        $price = $money('price');
        $used = $money('used');
        $faults = array_filter([
            $text('article') === '' ? 'it has no article number' : '',
            $price === null || $price <= 0.0 || $price > self::MOST ? 'its price is no amount' : '',
            $used !== null && ($used < 0.0 || $used > self::MOST) ? 'its used price is no amount' : '',
        ]);

        return new self($text('article'), $text('maker'), $text('name'), $price, $used, $whole('lead_days', self::MOST_DAYS), implode('; ', $faults), $whole('stock', 1_000_000));
    }

    /** Null for what is none: "1,234.50" with a point, "1.234,50" with a comma, with or without a currency's sign. */
    public static function figure(string $text, string $decimal): ?float
    {
        if (ctype_digit($text) || ($decimal === 'point' && preg_match('/^\d+\.\d{1,3}$/D', $text) === 1)) {
            return (float) $text;
        }
        $plain = (string) preg_replace('/^(?:[A-Z]{3}|\p{Sc})?[\s\x{00A0}\x{202F}]*|[\s\x{00A0}\x{202F}]*(?:[A-Z]{3}|\p{Sc}|-{1,2})?$/u', '', $text);
        [$mark, $group] = $decimal === 'comma' ? [',', "[.'\\s\\x{00A0}\\x{202F}]"] : ['\\.', "[,'\\s\\x{00A0}\\x{202F}]"];
        if (preg_match("/^-?(?:\\d{1,3}(?:{$group}\\d{3})+|\\d+)(?:{$mark}\\d{0,3})?$/u", $plain) !== 1) {
            return null;
        }

        return (float) strtr((string) preg_replace("/{$group}/u", '', $plain), ',', '.');
    }
}
