<?php

declare(strict_types=1);

namespace App\Account;

/** What somebody may do: look, test, or also sign. */
enum Role: string
{
    case Viewer = 'viewer';
    case Technician = 'technician';
    case Lead = 'lead';

    public function securityRole(): string
    {
        return 'ROLE_'.strtoupper($this->value);
    }
}
