/** What a setup is called while its plan is made: A, B, C in their order. */
export function letter(index: number): string {
    return String.fromCharCode(65 + index);
}
