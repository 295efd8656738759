<?php

declare(strict_types=1);

namespace App\Platform\Contract;

use App\Platform\Http\Problem;
use Opis\JsonSchema\Validator;
use Symfony\Component\Config\ConfigCache;
use Symfony\Component\Config\Resource\FileResource;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Yaml\Yaml;

/** The written contract of the API, docs/openapi.yaml: what is sent is held against it before anything else happens. */
final class Contract
{
    private const DOCUMENT = 'sitzplatz:/openapi.json';
    private const LARGEST_BODY_BYTES = 2_000_000;

    private ?\stdClass $document = null;

    public function __construct(
        private readonly string $projectDir,
        private readonly string $cacheDir,
        #[Autowire('%kernel.debug%')]
        private readonly bool $debug,
    ) {
    }

    /**
     * The body of a request, checked against the operation that the route is named after.
     *
     * @return array<string, mixed>
     *
     * @throws Problem with a field and a sentence for each fault
     */
    public function body(Request $request): array
    {
        if ('json' !== $request->getContentTypeFormat()) {
            throw Problem::invalid('', 'Send JSON, with the content type application/json.', 415);
        }
        $raw = $request->getContent();
        if (\strlen($raw) > self::LARGEST_BODY_BYTES) {
            throw Problem::invalid('', 'This is too large: send at most 2 MB at a time.', 413);
        }

        return $this->read($raw, (string) $request->attributes->get('_route'));
    }

    /**
     * A JSON text, checked against the request of an operation.
     *
     * @return array<string, mixed>
     *
     * @throws Problem with a field and a sentence for each fault
     */
    public function read(string $json, string $operationId): array
    {
        try {
            $data = json_decode($json, false, 64, \JSON_THROW_ON_ERROR);
            $body = json_decode($json, true, 64, \JSON_THROW_ON_ERROR);
        } catch (\JsonException $e) {
            throw Problem::invalid('', 'This is not readable as JSON: '.$e->getMessage().'.', 400, $e);
        }
        $errors = $this->errors($data, $this->operation($operationId).'/requestBody/content/application~1json/schema');
        if ([] !== $errors) {
            throw Problem::faults($errors);
        }
        if (!\is_array($body)) {
            throw Problem::invalid('', 'Send a JSON object.');
        }

        /* @var array<string, mixed> $body */
        return $body;
    }

    /**
     * The faults of a value against the part of the document at a JSON pointer.
     *
     * @return list<array{field: string, message: string}>
     */
    public function errors(mixed $data, string $pointer): array
    {
        $validator = new Validator(max_errors: 20, stop_at_first_error: false);
        $validator->resolver()?->registerRaw($this->document(), self::DOCUMENT);
        $result = $validator->validate($data, (object) ['$ref' => self::DOCUMENT.'#'.$pointer]);
        $error = $result->error();

        return null === $error ? [] : Sentences::of($error);
    }

    /** The JSON pointer of an operation. */
    public function operation(string $operationId): string
    {
        foreach (get_object_vars($this->document()->paths) as $path => $methods) {
            foreach (get_object_vars($methods) as $method => $operation) {
                if (($operation->operationId ?? null) === $operationId) {
                    return '/paths/'.str_replace(['~', '/', '{', '}'], ['~0', '~1', '%7B', '%7D'], $path).'/'.$method;
                }
            }
        }
        throw new \LogicException(\sprintf('docs/openapi.yaml has no operation "%s".', $operationId));
    }

    public function document(): \stdClass
    {
        if (null !== $this->document) {
            return $this->document;
        }
        $source = $this->projectDir.'/docs/openapi.yaml';
        $cache = new ConfigCache($this->cacheDir.'/openapi.php', $this->debug);
        if (!$cache->isFresh()) {
            $json = json_encode(Yaml::parseFile($source), \JSON_THROW_ON_ERROR);
            $cache->write('<?php return '.var_export($json, true).';', [new FileResource($source)]);
        }
        $document = json_decode((string) require $cache->getPath(), false, 64, \JSON_THROW_ON_ERROR);
        \assert($document instanceof \stdClass);

        return $this->document = $document;
    }
}
