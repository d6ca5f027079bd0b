package atalaya.ways.follow;

import atalaya.core.term.Term;
import java.util.Optional;

/** Knows what some calls give, and what they change. */
interface CallRule {
  /** What a call gives, for one without result anything; empty where others have to be asked. */
  Optional<Term> call(Call call);
}
