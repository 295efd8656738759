<?php

declare(strict_types=1);

use App\Kernel;
use App\Platform\Environment;
use Symfony\Component\HttpFoundation\Request;

require dirname(__DIR__).'/vendor/autoload.php';

Environment::load();
$kernel = new Kernel(Environment::kernelEnvironment(), false);
$request = Request::createFromGlobals();
$response = $kernel->handle($request);
$response->send();
$kernel->terminate($request, $response);
