<?php

namespace Pebblerun\Core\Report;

use Pebblerun\Core\Evaluation\Engine\CeilingCost;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Math\Percentiles;
use Pebblerun\Core\Report\Words\CeilingWords;
use Pebblerun\Core\Units\Rpm;

/** Writes a stage's curves large: the range at every speed, what each ceiling takes, and where every limit stands. */
final readonly class CurvesDocument
{
    public function __construct(private Estimate $estimate, private UnitFormatter $say) {}

    /** @return array<string, mixed> valid against curvesDetail of schemas/answers.json */
    public function stage(int $i): array
    {
        $result = $this->estimate->results[$i];
        $rpms = Thinned::of($result->likely->rpms());
        assert($rpms !== []);
        $band = $this->estimate->planned->at($i)->band($result->model, $rpms);

        return [
            'low' => $this->both(array_map(fn (Percentiles $draws): float => $draws->p10, $band), $rpms),
            'high' => $this->both(array_map(fn (Percentiles $draws): float => $draws->p90, $band), $rpms),
            'ceilings' => $this->ceilings($i, $rpms),
            'limits' => (new LimitDocument($this->estimate->planned, $this->say))->along($result, $rpms),
        ];
    }

    /** @return array{torque: list<float>, power: list<float>} a curve for a picture */
    public static function thin(Curve $curve, UnitFormatter $say): array
    {
        return [
            'torque' => array_map(fn (float $value): float => $say->torque($value, $say->curveDecimals()), Thinned::of($curve->torque)),
            'power' => array_map(fn (float $value): float => $say->power($value, $say->curveDecimals()), Thinned::of($curve->power())),
        ];
    }

    /**
     * @param  list<float>  $rpms
     * @return list<array<string, mixed>> what it would give without each of those that cost something
     */
    private function ceilings(int $i, array $rpms): array
    {
        $result = $this->estimate->results[$i];
        $without = $result->ceilings === [] ? [] : $this->estimate->planned->at($i)->withoutEachCeiling($result->model);
        $keys = array_map(fn ($ceiling): string => $ceiling->key, $result->model->ceilings);
        $words = new CeilingWords($this->say);

        return array_map(fn (CeilingCost $cost): array => [
            'name' => CeilingWords::name($cost->ceiling),
            'sentence' => $words->of($cost),
            ...$this->both(Thinned::of($without[(int) array_search($cost->ceiling->key, $keys, true)]->wheels), $rpms),
        ], $result->ceilings);
    }

    /**
     * @param  list<float>  $watts
     * @param  list<float>  $rpms
     * @return array{torque: list<float>, power: list<float>}
     */
    private function both(array $watts, array $rpms): array
    {
        return [
            'torque' => array_map(fn (float $power, float $rpm): float => $this->say->torque($power / ($rpm * Rpm::OMEGA), $this->say->curveDecimals()), $watts, $rpms),
            'power' => array_map(fn (float $power): float => $this->say->power($power, $this->say->curveDecimals()), $watts),
        ];
    }
}
