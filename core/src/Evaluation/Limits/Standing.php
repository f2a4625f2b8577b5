<?php

namespace Pebblerun\Core\Evaluation\Limits;

/** Where the draws stand against a limit: shares of what is safe, and of the edge. */
final readonly class Standing
{
    /** Shares are compared with a tolerance. */
    private const EXACT = 1.0 + 1e-9;

    /**
     * @param  ?float  $median  P50 of demand over safe; null where nothing can be said
     * @param  float  $used  P90 likewise
     * @param  float  $edge  P75 of demand over edge
     * @param  ?float  $rpm  where it is worst; null: where the likely curve says
     * @param  bool  $hot  on the hottest day, which is worse than the standard one
     * @param  ?float  $breaks  chance that it breaks in the time and use that the brief gives, 0–1; null where nothing breaks, or nobody knows
     */
    public function __construct(public ?float $median, public float $used, public float $edge, public ?float $rpm = null, public bool $hot = false, public ?float $breaks = null) {}

    public function breaking(?float $chance): self
    {
        return new self($this->median, $this->used, $this->edge, $this->rpm, $this->hot, $chance);
    }

    public function status(): Status
    {
        return match (true) {
            $this->median === null => Status::Unknown,
            $this->edge > self::EXACT => Status::PastEdge,
            $this->median > self::EXACT => Status::Over,
            $this->used > self::EXACT => Status::Close,
            default => Status::Clear,
        };
    }

    /** Past the edge first, then by what is used. */
    public function isWorseThan(self $other): bool
    {
        return [$this->edge > 1.0, $this->used] > [$other->edge > 1.0, $other->used];
    }

    public static function unknown(): self
    {
        return new self(null, 0.0, 0.0);
    }

    /** @return array{?float, float, float, ?float, bool, ?float} */
    public function toArray(): array
    {
        return [$this->median, $this->used, $this->edge, $this->rpm, $this->hot, $this->breaks];
    }

    /** @param  array{?float, float, float, ?float, bool, ?float}  $known  as toArray() gave them */
    public static function known(array $known): self
    {
        return new self(...$known);
    }
}
