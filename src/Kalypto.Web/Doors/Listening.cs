using System.Net;

namespace Kalypto.Web.Doors;

/// <summary>Where the server listens, and what that asks of it.</summary>
internal static class Listening
{
    /// <summary>Why the server must not start like this; null when it may.</summary>
    /// <param name="urls">The addresses that it listens at, with ; between.</param>
    /// <param name="hasAccounts">True when it has accounts.</param>
    public static string? Refusal(string? urls, bool hasAccounts) => hasAccounts ? null
        : Split(urls).Where(u => !IsHere(u)).Select(u => $"{u} can be reached from other machines, and this server has no accounts: whoever reaches it could do all. Start it with --people, or listen at 127.0.0.1.").FirstOrDefault();

    /// <summary>What to warn of; null for nothing.</summary>
    public static string? Warning(string? urls) => Split(urls).Where(u => !IsHere(u) && u.StartsWith("http:", StringComparison.OrdinalIgnoreCase))
        .Select(u => $"Warning: {u} is not encrypted. Passwords and links can be read on the way. Give a certificate with --certificate, or stand it behind a server that has one.").FirstOrDefault();

    private static IEnumerable<string> Split(string? urls) => (urls ?? "").Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);

    // Names such as * and + are no addresses and mean all.
    private static bool IsHere(string url) => BindingAddress.Parse(url).Host.Trim('[', ']') is var host && (host == "localhost" || (IPAddress.TryParse(host, out var address) && IPAddress.IsLoopback(address)));
}
