<?php

declare(strict_types=1);

/*
 * What the web server does with each operation that is costly or takes large bodies, by the contract: docs/openapi.yaml says which.
 *   locations.php OPENAPI    the locations, for nginx
 */

use Symfony\Component\Yaml\Parser;

require dirname(__DIR__, 2).'/vendor/autoload.php';

$document = (new Parser(maxAliasesForCollections: 1_000))->parseFile((string) ($argv[1] ?? ''));
$paths = [];
foreach ($document['paths'] as $path => $methods) {
    $pattern = implode('[^/]+', array_map(preg_quote(...), preg_split('/\{[^}]+\}/', $path)));
    foreach ($methods as $method => $operation) {
        if (isset($operation['operationId'])) {
            $paths[$pattern][] = [$operation['x-costly'] ?? false, $operation['x-body-mb'] ?? 0];
        }
    }
}
$alike = [];
foreach ($paths as $pattern => $operations) {
    if (1 < count(array_unique($operations, \SORT_REGULAR))) {
        fwrite(\STDERR, "The operations of $pattern are not all costly, or not all large.\n");
        exit(1);
    }
    if ([false, 0] !== $operations[0]) {
        $alike[json_encode($operations[0])][] = $pattern;
    }
}
foreach ($alike as $kind => $patterns) {
    [$costly, $mb] = json_decode($kind, true);
    echo 'location ~ ^(', implode('|', $patterns), ")\$ {\n";
    if ($mb > 0) {
        // Who is signed in is asked before anything of the body is taken, and so much at once as there is room for.
        echo "    client_max_body_size {$mb}m;\n    auth_request /.signed-in;\n    limit_conn connections 200;\n    limit_conn uploads_of 4;\n    limit_conn uploads 6;\n";
    }
    if ($costly) {
        echo "    set \$pool sums;\n    limit_req zone=costly burst=40 nodelay;\n";
    }
    echo "    try_files /none @app;\n}\n";
}
