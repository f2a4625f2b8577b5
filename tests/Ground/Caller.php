<?php

namespace Tests\Ground;

use CurlHandle;

/** Somebody with a browser's cookies, from an address of their own. */
final class Caller
{
    /** @var array<string, string> */
    private array $cookies = [];

    public string $body = '';

    /** s that the last answer took */
    public float $took = 0.0;

    /** @var array<string, string> of the last answer, names in small letters */
    public array $headers = [];

    /** @param  non-empty-string  $address */
    public function __construct(private readonly int $port, private readonly string $address = '127.0.0.1') {}

    /** @return int the status; 0 where no answer came */
    public function get(string $path): int
    {
        return $this->send('GET', $path);
    }

    /**
     * @param  array<string, mixed>|string  $body  a string as it is
     */
    public function json(string $method, string $path, array|string $body = []): int
    {
        return $this->send($method, $path, is_string($body) ? $body : (string) json_encode((object) $body), 'application/json');
    }

    /** @param  array<string, mixed>  $fields */
    public function form(string $path, array $fields): int
    {
        return $this->send('POST', $path, http_build_query($fields), 'application/x-www-form-urlencoded');
    }

    public function signIn(string $email, string $password): int
    {
        return $this->form('/sign-in', ['email' => $email, 'password' => $password]);
    }

    /** @param  array<string, string>  $more  headers */
    public function send(string $method, string $path, string $body = '', string $type = '', array $more = []): int
    {
        $curl = curl_init("http://127.0.0.1:{$this->port}{$path}");
        $this->headers = [];
        assert($method !== '');
        curl_setopt_array($curl, [
            CURLOPT_CUSTOMREQUEST => $method, CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT => 90, CURLOPT_INTERFACE => $this->address, CURLOPT_PATH_AS_IS => true,
            CURLOPT_HTTPHEADER => $this->heads($body, $type, $more),
            CURLOPT_HEADERFUNCTION => $this->head(...),
        ]);
        $body === '' || curl_setopt($curl, CURLOPT_POSTFIELDS, $body);
        $began = microtime(true);
        $answer = curl_exec($curl);
        $this->took = microtime(true) - $began;
        $this->body = is_string($answer) ? $answer : '';

        return (int) curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
    }

    /**
     * @param  array<string, string>  $more
     * @return list<string>
     */
    private function heads(string $body, string $type, array $more): array
    {
        $heads = ['Accept' => 'application/json', 'Sec-Fetch-Site' => 'same-origin', 'Expect' => '', ...($type === '' ? [] : ['Content-Type' => $type]), ...$more];
        isset($this->cookies['XSRF-TOKEN']) && $heads['X-XSRF-TOKEN'] = urldecode($this->cookies['XSRF-TOKEN']);
        $this->cookies === [] || $heads['Cookie'] = implode('; ', array_map(fn (string $name, string $value): string => "{$name}={$value}", array_keys($this->cookies), $this->cookies));

        return array_map(fn (string $name, string $value): string => "{$name}: {$value}", array_keys($heads), $heads);
    }

    private function head(CurlHandle $curl, string $line): int
    {
        [$name, $value] = [...explode(':', $line, 2), ''];
        $name = strtolower(trim($name));
        if ($name === 'set-cookie') {
            [$cookie, $kept] = [...explode('=', trim(explode(';', $value)[0]), 2), ''];
            $this->cookies[$cookie] = $kept;
        } elseif ($name !== '') {
            $this->headers[$name] = trim($value);
        }

        return strlen($line);
    }

    public function answer(): mixed
    {
        return json_decode($this->body, true);
    }
}
