<?php

return [
    // What the browser keeps of a page is encrypted, and its key goes with the sign-out.
    'history' => ['encrypt' => true],
    'ssr' => ['enabled' => false],
    'testing' => [
        'ensure_pages_exist' => true,
        'page_paths' => [resource_path('js/pages')],
        'page_extensions' => ['svelte'],
    ],
];
