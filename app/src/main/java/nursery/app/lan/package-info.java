/** Serving the local network: names and addresses of this machine, a certificate authority of the shop's own, TLS. */
@NullMarked
package nursery.app.lan;

import org.jspecify.annotations.NullMarked;
