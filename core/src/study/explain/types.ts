/** One term of a figure: what it is, and what it comes to with its unit. */
export interface WhyTerm {
  readonly words: string;
  readonly figure: string;
}

/** Why a figure is what it is: what it says in a sentence, the terms it is made of, the rule that joins them, where that is from, and how far to trust it. */
export interface Why {
  readonly title: string;
  readonly says: string;
  readonly terms: readonly WhyTerm[];
  readonly rule: string;
  readonly source: string;
  readonly belief: string;
}
