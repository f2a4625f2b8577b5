<?php

namespace Pebblerun\Core\Job\Life;

/**
 * How far the stages of a plan are. They are done one after another, for each stands on the one before; all else is as the shop and its
 * customer have it, and may be taken back.
 */
final readonly class Lives
{
    /** @param  list<StageLife>  $stages  in their order */
    public function __construct(public array $stages) {}

    /** @param  int  $number  of the stage, counted from 1 */
    public function hindrance(int $number, StageLife $to): ?LifeHindrance
    {
        $isDone = fn (StageLife $life): bool => $life === StageLife::Done;
        $here = $this->stages[$number - 1];

        return match (true) {
            $here === $to => LifeHindrance::Same,
            $to === StageLife::Done && array_filter(array_slice($this->stages, 0, $number - 1), $isDone) !== array_slice($this->stages, 0, $number - 1) => LifeHindrance::EarlierOpen,
            $here === StageLife::Done && array_filter(array_slice($this->stages, $number), $isDone) !== [] => LifeHindrance::LaterDone,
            default => null,
        };
    }

    /** What the job is at: its first stage that is not done; done where all are, planned where there is none. */
    public function job(): StageLife
    {
        foreach ($this->stages as $life) {
            if ($life !== StageLife::Done) {
                return $life;
            }
        }

        return $this->stages === [] ? StageLife::Planned : StageLife::Done;
    }
}
