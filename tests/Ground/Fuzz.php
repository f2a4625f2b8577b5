<?php

namespace Tests\Ground;

use Random\Randomizer;

/** Requests that are nearly right, or not at all; seeded. */
final readonly class Fuzz
{
    private const NASTY = ['1e999', '-1e999', '1e-999', '9999999999999999999999', '-1', '0', '', 'null', 'true', '[]', '{}', '"', '\\', "\u{202e}abc", "a\u{0}b", '%00', '%ff', '../../etc/passwd', "'; drop table plans; --", '<img src=x onerror=alert(1)>', '=cmd', '2026-02-30', '0000-00-00', '2026-13-01T99:99', 'NaN', 'Infinity', '0x1F', '1_000', '١٢', "a\u{0301}", '{{7*7}}', '%n%s'];

    /** @param  array{job: int, plan: int, platform: int, part: int}  $has */
    public function __construct(private Randomizer $random, private array $has, private string $supplier) {}

    /** @return array{string, string, string, string} method, address, body and its type */
    public function query(): array
    {
        ['job' => $job, 'plan' => $plan, 'platform' => $platform, 'part' => $part] = $this->has;
        $paths = ['/', '/sign-in', '/sign-in/code', '/search', '/customers', '/audit', "/plans/{$plan}/cell", "/plans/{$plan}/stage", "/plans/{$plan}/reasons", "/plans/{$plan}/fixes", "/plans/{$plan}/curves", "/plans/{$plan}/revisions", "/jobs/{$job}/bench", "/library/{$platform}", "/parts/{$part}/prices", '/price-lists', "/plans/{$plan}/renewal", '/up', '/forgotten', "/jobs/{$job}/brief/state", "/library/{$platform}/outcomes"];
        $names = ['q', 'next', 'sort', 'due', 'page', 'slot', 'stage', 'subject', 'revision', 'before', 'email', 'after', 'outcome', 'number', '_method', 'often', 'x'];
        $query = [];
        for ($n = $this->random->getInt(1, 3); $n > 0; $n--) {
            $name = $this->one($names).$this->one(['', '', '', '', '[]', '[a]', '[0][b]', '%00', '%ff']);
            $query[] = $name.$this->one(['=', '=', '=', '']).rawurlencode($this->one([...self::NASTY, 'turbo', '1', '2', 'latest', 'power', str_repeat('x', 600)]));
        }
        $path = $this->one($paths);
        $path = $this->random->getInt(0, 9) === 0 ? (string) preg_replace('/\d+/', rawurlencode($this->one(self::NASTY)), $path) : $path;

        return ['GET', "{$path}?".implode('&', $query), '', ''];
    }

    /** @return array{string, string, string, string} */
    public function body(): array
    {
        ['job' => $job, 'plan' => $plan, 'platform' => $platform, 'part' => $part] = $this->has;
        $named = ['request' => bin2hex($this->random->getBytes(8)), 'queue' => str_repeat('c', 16), 'seen' => 1];
        $today = gmdate('Y-m-d');
        $all = [
            ['POST', "/plans/{$plan}/edits", [...$named, 'commands' => [['do' => 'fit', 'stage' => 's1', 'part' => 'fjellvent-panel', 'basis' => 'new', 'quantity' => 1], ['do' => 'hold', 'stage' => 's1', 'torque' => 300, 'from_rpm' => 2000, 'to_rpm' => 3000]]]],
            ['POST', "/plans/{$plan}/edits", [...$named, 'step' => ['do' => 'undo', 'of' => 1]]],
            ['POST', "/jobs/{$job}/brief/edits", [...$named, 'answers' => [['place' => 'target', 'value' => ['power' => 290]], ['place' => 'received.baseline', 'value' => ['points' => [['rpm' => 1500, 'torque' => 150], ['rpm' => 3000, 'torque' => 200], ['rpm' => 6000, 'torque' => 150]]]]]]],
            ['POST', "/jobs/{$job}/brief/edits", [...$named, 'answers' => [['place' => 'fuels', 'value' => ['pump-98']], ['place' => 'car.year', 'value' => 2020], ['place' => 'budget', 'value' => ['total' => 5000]]]]],
            ['POST', '/jobs', ['platform' => $platform, 'title' => 'X', 'customer' => 'Y']],
            ['POST', "/plans/{$plan}/variants", ['name' => 'v', 'revision' => 1]],
            ['POST', "/jobs/{$job}/plans", ['name' => 'again', 'from' => $plan]],
            ['POST', '/people', ['name' => 'X', 'email' => 'x'.bin2hex($this->random->getBytes(4)).'@x.test', 'role' => 'tuner']],
            ['PUT', '/account/password', ['now' => 'x', 'password' => 'y', 'again' => 'z']],
            ['PUT', '/account/shop', ['shop' => 1]],
            ['POST', '/summaries', ['jobs' => [1, 2]]],
            ['PUT', '/me', ['units' => ['power' => 'hp', 'torque' => 'Nm', 'pressure' => 'bar', 'temperature' => 'C', 'mass' => 'kg'], 'numerals' => 'comma']],
            ['POST', "/parts/{$part}/prices", ['request' => $named['request'], 'likely' => 50, 'low' => 40, 'high' => 60, 'as_of' => $today, 'source' => 'x']],
            ['POST', "/library/{$platform}/outcomes", ['request' => $named['request'], 'limit' => 1, 'load' => 300, 'broke' => true, 'months' => 3, 'on' => $today]],
            ['POST', "/library/{$platform}/limit-records", ['request' => $named['request'], 'limit' => 1, 'kind' => 'maker', 'safe' => 300, 'edge' => 330, 'on' => $today]],
            ['POST', "/library/{$platform}/parts/fjellvent-panel/evidence", ['request' => $named['request'], 'case' => 1, 'kind' => 'maker', 'power' => [1, 2, 3], 'torque' => [1, 2, 3], 'on' => $today]],
            ['POST', "/library/{$platform}/parts", ['request' => $named['request'], 'document' => ['name' => 'A part', 'maker' => 'Fjellvent', 'slots' => ['filter'], 'gains' => [['power' => [1, 2, 3], 'torque' => [1, 2, 3], 'evidence' => ['kind' => 'maker']]], 'price' => ['new' => 50, 'hours' => 1]]]],
            ['POST', "/library/{$platform}/parts/fjellvent-panel/look", ['document' => ['key' => 'fjellvent-panel', 'name' => 'A part', 'maker' => 'Fjellvent', 'slots' => ['filter'], 'gains' => [['power' => [1, 2, 3], 'torque' => [1, 2, 3], 'evidence' => ['kind' => 'maker']]], 'price' => ['new' => 50, 'hours' => 1]]]],
            ['POST', "/library/{$platform}/parts/fjellvent-panel/retirement", ['seen' => 0, 'successor' => 'fjellvent-sealed-box']],
            ['POST', '/library', ['name' => 'Own', 'make' => 'M', 'model' => 'N', 'from' => 2018, 'to' => 2020, 'displacement' => 2.0, 'cylinders' => 4, 'aspiration' => 'turbo', 'injection' => 'direct', 'fuel' => 'petrol', 'drive' => 'front', 'gearbox' => 'manual', 'rev_limit' => 6800, 'torque' => 250, 'torque_rpm' => 3000, 'power' => 220, 'power_rpm' => 5800]],
            ['POST', '/suppliers', ['name' => 'S '.bin2hex($this->random->getBytes(3))]],
            ['POST', "/suppliers/{$this->supplier}/refresh", []],
        ];
        [$method, $path, $body] = $this->one($all);
        for ($change = $this->random->getInt(1, 3); $change > 0; $change--) {
            $body = $this->changed($body);
        }
        $text = (string) json_encode($body, JSON_PARTIAL_OUTPUT_ON_ERROR | JSON_UNESCAPED_SLASHES);
        // Numbers that PHP cannot write.
        $text = $this->random->getInt(0, 5) === 0 ? (string) preg_replace('/:\s*-?\d+(\.\d+)?(?=[,}\]])/', ':'.$this->one(['1e999', '-1e400', '1e300', '123456789012345678901234567890', '1.5e-300', '-0', '0.1']), $text, 1) : $text;
        $text = $this->random->getInt(0, 20) === 0 ? substr($text, 0, $this->random->getInt(0, strlen($text))) : $text;

        return [$method, $path, $text, $this->random->getInt(0, 20) === 0 ? $this->one(['text/plain', 'application/x-www-form-urlencoded', 'application/octet-stream', 'multipart/form-data; boundary=x', 'application/json; charset=utf-16']) : 'application/json'];
    }

    private function changed(mixed $value): mixed
    {
        if (is_array($value) && $value !== [] && $this->random->getInt(0, 4) > 0) {
            $key = $this->one(array_keys($value));
            if ($this->random->getInt(0, 9) === 0) {
                unset($value[$key]);

                return $value;
            }
            $value[$key] = $this->changed($value[$key]);

            return $value;
        }

        return match ($this->random->getInt(0, 10)) {
            0 => null,
            1 => $this->random->getInt(PHP_INT_MIN, PHP_INT_MAX),
            2 => 2.0 ** $this->random->getInt(-300, 300),
            3 => [],
            4 => ['x' => $value],
            5 => [$value, $value],
            6 => str_repeat('long ', $this->random->getInt(1, 400)),
            7 => (bool) $this->random->getInt(0, 1),
            8 => $this->random->getInt(-3, 3),
            default => $this->one(self::NASTY),
        };
    }

    /**
     * @template T
     *
     * @param  non-empty-array<T>  $of
     * @return T
     */
    private function one(array $of): mixed
    {
        $all = array_values($of);

        return $all[$this->random->getInt(0, count($all) - 1)];
    }
}
