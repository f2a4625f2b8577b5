<?php

namespace Pebblerun\Core\Advice;

use LogicException;

/** Something to say, as a code with its parameters: figures in SI, parts, limits. The report writes the words. */
final readonly class Message
{
    /**
     * @param  array<string, mixed>  $parameters  as the code declares them
     *
     * @throws LogicException when they are others.
     */
    public function __construct(public MessageCode $code, public array $parameters = [])
    {
        $declared = $code->parameters();
        foreach ($declared + $parameters as $name => $value) {
            if (! isset($declared[$name]) || ! array_key_exists($name, $parameters) || ! self::isOf($declared[$name], $parameters[$name])) {
                throw new LogicException("{$code->value}: {$name} is ".(isset($declared[$name]) ? "a {$declared[$name]}" : 'none of its parameters'));
            }
        }
    }

    private static function isOf(string $type, mixed $value): bool
    {
        $named = ltrim($type, '?');

        return ($value === null && $named !== $type) || $value instanceof $named || get_debug_type($value) === $named || ($named === 'float' && is_int($value));
    }
}
