/** Who is at the bench and what each may do: makers, roles, devices, links for customers, the audit log. */
@NullMarked
package nursery.app.people;

import org.jspecify.annotations.NullMarked;
