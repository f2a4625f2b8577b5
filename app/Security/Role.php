<?php

namespace App\Security;

/** What a person is in a shop. */
enum Role: string
{
    case Owner = 'owner';
    case Advisor = 'advisor';
    case Tuner = 'tuner';
    case Technician = 'technician';

    /** How much it may, against the others: an owner the most. */
    public function rank(): int
    {
        return (int) array_search($this, array_reverse(self::cases()), true);
    }

    public function can(Ability $ability): bool
    {
        return in_array($ability, $this->abilities(), true);
    }

    /** @return list<Ability> */
    private function abilities(): array
    {
        return match ($this) {
            self::Owner => Ability::cases(),
            self::Advisor => [Ability::ReadJobs, Ability::EditJobs, Ability::EditPlans, Ability::SetPrices, Ability::AcceptPastEdge, Ability::KeepLibrary, Ability::WriteJobCards],
            self::Tuner => [Ability::ReadJobs, Ability::EditPlans, Ability::AcceptPastEdge, Ability::KeepDynoRuns, Ability::WriteJobCards],
            self::Technician => [Ability::ReadJobs, Ability::KeepDynoRuns, Ability::WriteJobCards],
        };
    }
}
