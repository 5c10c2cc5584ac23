package jollyroster.core.foresight;

import org.apache.commons.numbers.gamma.LogBeta;

/**
 * How many of {@code n} will do something of which the share is only known from those who did it before: a binomial whose
 * probability has a beta distribution with the Jeffreys prior. Source: Gelman et al., Bayesian Data Analysis, section 2.
 */
final class BetaBinomial {

    private final int n;
    private final double alpha;
    private final double beta;

    private BetaBinomial(int n, double alpha, double beta) {
        this.n = n;
        this.alpha = alpha;
        this.beta = beta;
    }

    /**
     * @param n how many could do it now, zero or more
     * @param did how many did before
     * @param could of how many
     */
    static BetaBinomial jeffreys(int n, int did, int could) {
        return new BetaBinomial(n, did + 0.5, could - did + 0.5);
    }

    double probability(int k) {
        double logChoose = -Math.log(n + 1.0) - LogBeta.value(n - k + 1.0, k + 1.0);
        return Math.exp(logChoose + LogBeta.value(k + alpha, n - k + beta) - LogBeta.value(alpha, beta));
    }

    /** P(at least {@code k}). */
    double atLeast(int k) {
        if (k <= 0) {
            return 1;
        }
        double sum = 0;
        for (int i = k; i <= n; i++) {
            sum += probability(i);
        }
        return Math.min(1, sum);
    }
}
