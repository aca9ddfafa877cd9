package nursery.core.plan;

import java.util.Arrays;

/**
 * What tells one plan from another; laying it out does the rest.
 *
 * @param order     cups by number, each as often as it has steps: whose turn it is to be given a place
 * @param straightOn by act: whether a coat and the one before it are placed together so that it falls into the tack window
 * @param notBefore by act: a slot it is not begun before, 0 for none
 */
record Genes(int[] order, boolean[] straightOn, int[] notBefore) {

    Genes copy() {
        return new Genes(order.clone(), straightOn.clone(), notBefore.clone());
    }

    static Genes of(int[] order, int acts, boolean straightOn) {
        boolean[] all = new boolean[acts];
        Arrays.fill(all, straightOn);
        return new Genes(order, all, new int[acts]);
    }
}
