<?php

namespace App\Http\Requests;

use Illuminate\Validation\Rule;
use Pebblerun\Core\Catalog\Cars\Aspiration;
use Pebblerun\Core\Physics\Driveline\Drive;
use Pebblerun\Core\Physics\Driveline\Gearbox;

/** Answers about an engine that a platform can be made of, wherever they are given. */
final class PlatformAnswers
{
    /**
     * @param  string  $under  prefix of each answer's name: "platform_of."
     * @param  list<mixed>  $needed  when they are
     * @return array<string, list<mixed>>
     */
    public static function rules(string $under, array $needed): array
    {
        $number = [...$needed, 'numeric', 'gt:0'];
        $rules = [
            'name' => ['sometimes', 'nullable', 'string', 'min:2', 'max:200'],
            'make' => [...$needed, 'string', 'min:1', 'max:200'],
            'model' => [...$needed, 'string', 'min:1', 'max:200'],
            'from' => [...$needed, 'integer', 'min:1900', 'max:2100'],
            'to' => [...$needed, 'integer', "gte:{$under}from", 'max:2100'],
            'displacement' => [...$number, 'max:25'],
            'cylinders' => [...$needed, 'integer', 'min:1', 'max:16'],
            'aspiration' => [...$needed, Rule::enum(Aspiration::class)],
            'injection' => [...$needed, Rule::in(['port', 'direct'])],
            'fuel' => [...$needed, Rule::in(['petrol', 'diesel'])],
            'drive' => [...$needed, Rule::enum(Drive::class)],
            'gearbox' => [...$needed, Rule::enum(Gearbox::class)],
            'rev_limit' => [...$number, 'max:20000'],
            'read' => ['sometimes', Rule::in(['wheels', 'crank'])],
            'torque' => [...$number, 'max:5000'],
            'torque_rpm' => [...$number, 'max:20000', "lt:{$under}power_rpm"],
            'power' => [...$number, 'max:5000'],
            'power_rpm' => [...$number, 'max:20000', "lte:{$under}rev_limit"],
        ];

        return array_combine(array_map(fn (string $name): string => $under.$name, array_keys($rules)), array_values($rules));
    }

    /** @return array<string, string> */
    public static function messages(string $under): array
    {
        return [
            "{$under}to.gte" => 'The last model year does not come before the first.',
            "{$under}torque_rpm.lt" => 'The torque peak must be at a lower rpm than the power peak.',
            "{$under}power_rpm.lte" => 'The power peak must be below the rev limit.',
        ];
    }

    /** @return array<string, string> what a message calls them */
    public static function names(string $under): array
    {
        $names = ['make' => 'make', 'model' => 'model', 'from' => 'first model year', 'to' => 'last model year', 'displacement' => 'displacement', 'cylinders' => 'cylinders', 'rev_limit' => 'rev limit', 'torque' => 'torque', 'torque_rpm' => 'rpm of the torque peak', 'power' => 'power', 'power_rpm' => 'rpm of the power peak'];

        return array_combine(array_map(fn (string $name): string => $under.$name, array_keys($names)), array_values($names));
    }

    /**
     * @param  array<string, mixed>  $given  that the rules have taken
     * @return array<string, mixed> of Pebblerun\Core\Job\Starting\NewPlatform, without the key
     */
    public static function of(array $given): array
    {
        $number = fn (string $name): float => (float) $given[$name];

        return [
            ...array_intersect_key($given, array_flip(['make', 'model', 'drive', 'gearbox'])),
            'name' => $given['name'] ?? self::named($given),
            'years' => ['from' => (int) $given['from'], 'to' => (int) $given['to']],
            'engine' => ['displacement' => $number('displacement'), 'cylinders' => (int) $given['cylinders'], ...array_intersect_key($given, array_flip(['aspiration', 'injection', 'fuel']))],
            'rev_limit' => $number('rev_limit'),
            'read' => $given['read'] ?? 'wheels',
            'peaks' => [
                'torque' => ['rpm' => $number('torque_rpm'), 'value' => $number('torque')],
                'power' => ['rpm' => $number('power_rpm'), 'value' => $number('power')],
                'redline' => $number('rev_limit'),
            ],
        ];
    }

    /**
     * Make and model, with the displacement where the model says none.
     *
     * @param  array<string, mixed>  $given
     */
    private static function named(array $given): string
    {
        $name = "{$given['make']} {$given['model']}";

        return preg_match('/\d[.,]\d/', $name) === 1 ? $name : "{$name} ".number_format((float) $given['displacement'], 1);
    }
}
