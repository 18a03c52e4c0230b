/// <reference types="@sveltejs/kit" />
declare module '*.css';
