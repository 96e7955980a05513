export declare const portTaken: number;
export declare const tellListening: () => void;
export declare const endWithParent: (end: () => void) => void;
