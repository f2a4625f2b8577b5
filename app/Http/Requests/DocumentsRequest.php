<?php

namespace App\Http\Requests;

use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpKernel\Exception\ServiceUnavailableHttpException;

/** A platform and its parts in the open formats, as files; dry: told, and not taken in. */
final class DocumentsRequest extends PersonRequest
{
    /** A disk that took nothing is no fault of who sent. */
    protected function prepareForValidation(): void
    {
        foreach ($this->files->all() as $file) {
            $file instanceof UploadedFile && in_array($file->getError(), [UPLOAD_ERR_CANT_WRITE, UPLOAD_ERR_NO_TMP_DIR], true) && throw new ServiceUnavailableHttpException(5, 'The disk is full.');
        }
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['platform' => ['required', 'file', 'max:2000'], 'parts' => ['required', 'file', 'max:6000'], 'dry' => ['required', 'boolean']];
    }

    /** @return array<string, string> */
    public function files(): array
    {
        return array_map(fn (string $name): string => (string) file_get_contents((string) $this->file($name)?->getRealPath()), ['platform' => 'platform', 'parts' => 'parts']);
    }

    public function subject(): string
    {
        return json_encode(['dry' => $this->boolean('dry'), 'sum' => hash('xxh128', implode("\0", $this->files()))], JSON_THROW_ON_ERROR);
    }
}
