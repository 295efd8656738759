<?php

declare(strict_types=1);

namespace App\Platform\Http;

use App\Platform\Words\Wording;
use Symfony\Component\HttpFoundation\JsonResponse;

/** A problem as application/problem+json. */
final class ProblemResponse
{
    public static function of(Problem $problem, Wording $wording): JsonResponse
    {
        return new JsonResponse([
            'type' => $problem->type,
            'title' => $problem->title,
            'status' => $problem->status,
            'detail' => $wording->words($problem->detail),
            'errors' => $wording->words($problem->errors),
            ...$wording->words($problem->more),
        ], $problem->status, ['Content-Type' => 'application/problem+json', ...$problem->headers]);
    }
}
