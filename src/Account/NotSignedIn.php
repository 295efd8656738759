<?php

declare(strict_types=1);

namespace App\Account;

use App\Platform\Http\Problem;
use App\Platform\Http\ProblemResponse;
use App\Platform\Words\Wording;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Security\Core\Exception\AuthenticationException;
use Symfony\Component\Security\Http\EntryPoint\AuthenticationEntryPointInterface;

/** The answer to somebody who is not signed in. */
final readonly class NotSignedIn implements AuthenticationEntryPointInterface
{
    public function __construct(private Wording $wording)
    {
    }

    public function start(Request $request, ?AuthenticationException $authException = null): Response
    {
        return ProblemResponse::of(new Problem(401, 'Not signed in', 'Sign in first. What you typed is kept.'), $this->wording);
    }
}
