/**
 * The plan for the weeks ahead: the week, the day, what an order can be promised for, what a change changes. Publishes
 * {@link nursery.app.plan.PlanBook}.
 */
@NullMarked
package nursery.app.plan;

import org.jspecify.annotations.NullMarked;
