//! What this machine is called and where it is reached at home.

use std::net::IpAddr;

/// A name that is none gets this one.
const NAMELESS: &str = "ember";
/// The longest that a part of a name may be (RFC 1035).
const LONGEST: usize = 63;

/// A machine in its network.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Machine {
    /// Its name as others in the network find it, ending in `.local` (RFC 6762).
    pub name: String,
    /// Addresses that it has now, all of them private or its own.
    pub addresses: Vec<IpAddr>,
}

impl Machine {
    /// This one.
    #[must_use]
    pub fn here() -> Self {
        let host = hostname::get().unwrap_or_default();
        let found = if_addrs::get_if_addrs().unwrap_or_default();
        Self::new(
            &host.to_string_lossy(),
            found.iter().map(|interface| interface.ip()),
        )
    }

    /// One of that host name, however it is written.
    ///
    /// ```
    /// use ember_server::lan::Machine;
    /// let machine = Machine::new("Tern_Cottage.home", ["192.168.1.7".parse().unwrap()]);
    /// assert_eq!(machine.name, "tern-cottage.local");
    /// ```
    #[must_use]
    pub fn new(host: &str, addresses: impl IntoIterator<Item = IpAddr>) -> Self {
        let first = host.split('.').next().unwrap_or_default().to_lowercase();
        let plain: String = first
            .chars()
            .map(|letter| {
                if letter.is_ascii_alphanumeric() {
                    letter
                } else {
                    '-'
                }
            })
            .take(LONGEST)
            .collect();
        let plain = plain.trim_matches('-');
        let plain = if plain.is_empty() { NAMELESS } else { plain };
        Self {
            name: format!("{plain}.local"),
            addresses: addresses.into_iter().filter(is_at_home).collect(),
        }
    }

    /// The addresses that other devices reach it at.
    pub fn outward(&self) -> impl Iterator<Item = IpAddr> {
        let own = self.addresses.iter().copied();
        own.filter(|address| !address.is_loopback() && !is_of_one_link(address))
    }
}

/// Only within one link, and useless without its name.
fn is_of_one_link(address: &IpAddr) -> bool {
    match address {
        IpAddr::V4(_) => false,
        IpAddr::V6(address) => address.is_unicast_link_local(),
    }
}

/// Within what the authority may vouch for: its own, private (RFC 1918, RFC 4193) and of the link.
fn is_at_home(address: &IpAddr) -> bool {
    match address {
        IpAddr::V4(address) => {
            address.is_loopback() || address.is_private() || address.is_link_local()
        }
        IpAddr::V6(address) => {
            address.is_loopback() || address.is_unique_local() || address.is_unicast_link_local()
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_host_name_of_any_kind_becomes_one_that_is_found() {
        for (host, name) in [
            ("vm", "vm.local"),
            ("Kitchen PC", "kitchen-pc.local"),
            ("kitchen.local", "kitchen.local"),
            ("-", "ember.local"),
            ("", "ember.local"),
        ] {
            assert_eq!(Machine::new(host, []).name, name);
        }
        assert_eq!(Machine::new(&"k".repeat(80), []).name.len(), LONGEST + 6);
    }

    #[test]
    fn nothing_outside_a_home_is_vouched_for() {
        let all = [
            "127.0.0.1",
            "192.168.1.7",
            "10.0.0.2",
            "203.0.113.9",
            "::1",
            "fd00::2",
            "fe80::3",
            "2001:db8::1",
        ];
        let machine = Machine::new(
            "k",
            all.map(|one| one.parse::<IpAddr>().unwrap_or(IpAddr::from([0; 4]))),
        );
        let outward: Vec<String> = machine.outward().map(|one| one.to_string()).collect();
        assert_eq!(outward, ["192.168.1.7", "10.0.0.2", "fd00::2"]);
        assert_eq!(machine.addresses.len(), 6);
    }
}
