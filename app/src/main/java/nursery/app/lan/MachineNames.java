package nursery.app.lan;

import java.net.Inet6Address;
import java.net.InetAddress;
import java.net.NetworkInterface;
import java.net.SocketException;
import java.net.UnknownHostException;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;

/**
 * The names and addresses under which other machines of the local network reach this one, as a Host header has them.
 */
final class MachineNames {

    private MachineNames() {}

    static Set<String> now() {
        Set<String> names = new TreeSet<>();
        try {
            String name = InetAddress.getLocalHost().getHostName().toLowerCase(Locale.ROOT);
            if (name.matches("[a-z0-9.-]{1,200}") && !name.equals("localhost")) {
                names.add(name);
                if (!name.contains(".")) {
                    names.add(name + ".local");
                }
            }
        } catch (UnknownHostException e) {
            // A machine whose name means nothing is reached by its addresses.
        }
        try {
            NetworkInterface.networkInterfaces()
                    .flatMap(NetworkInterface::inetAddresses)
                    .filter(address -> !address.isLoopbackAddress()
                            && !address.isLinkLocalAddress()
                            && !address.isMulticastAddress())
                    .forEach(address -> names.add(
                            address instanceof Inet6Address
                                    ? "[" + address.getHostAddress().replaceAll("%.*", "") + "]"
                                    : address.getHostAddress()));
        } catch (SocketException e) {
            // Without interfaces there is nobody to be reached by.
        }
        return names;
    }

    /** An IPv6 address in one way of writing it. */
    static String written(String address) {
        try {
            return InetAddress.getByName(address).getHostAddress().replaceAll("%.*", "");
        } catch (UnknownHostException e) {
            return address;
        }
    }
}
