using System.Net;

namespace Kalypto.Web.Doors;

/// <summary>Where the server listens, and what that asks of it.</summary>
internal static class Listening
{
    private static readonly string[] All = ["*", "+", "0.0.0.0", "[::]"];

    /// <summary>Why the server must not start like this; null when it may.</summary>
    /// <param name="urls">The addresses that it listens at, with ; between.</param>
    /// <param name="hasAccounts">True when it has accounts.</param>
    public static string? Refusal(string? urls, bool hasAccounts) => hasAccounts ? null
        : Split(urls).Where(u => !IsHere(u)).Select(u => $"{u} can be reached from other machines, and this server has no accounts: whoever reaches it could do all. Start it with --people, or listen at 127.0.0.1.").FirstOrDefault();

    /// <summary>What to warn of; null for nothing.</summary>
    public static string? Warning(string? urls) => Split(urls).Where(u => !IsHere(u) && u.StartsWith("http:", StringComparison.OrdinalIgnoreCase))
        .Select(u => $"Warning: {u} is not encrypted. Passwords and links can be read on the way. Give a certificate with --certificate, or stand it behind a server that has one.").FirstOrDefault();

    /// <summary>The names that are answered. One that means every name would let any page on the web that leads here read everything, so it is none.</summary>
    /// <param name="allowed">Names with ; between; null for those of this machine alone.</param>
    public static IReadOnlyList<string> Hosts(string? allowed) => [.. (allowed ?? "localhost;127.0.0.1;[::1]").Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries).Except(All).Distinct()];

    /// <summary>An address that people can type: where it listens at all addresses, by the first of its names.</summary>
    public static string? Shown(string? address, IReadOnlyList<string> hosts) => address is null || BindingAddress.Parse(address) is not { Host: var host } || !All.Contains(host) || hosts.Count == 0 ? address
        : address.Replace(host, hosts[0], StringComparison.Ordinal);

    private static IEnumerable<string> Split(string? urls) => (urls ?? "").Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);

    // Names such as * and + are no addresses and mean all.
    private static bool IsHere(string url) => BindingAddress.Parse(url).Host.Trim('[', ']') is var host && (host == "localhost" || (IPAddress.TryParse(host, out var address) && IPAddress.IsLoopback(address)));
}
