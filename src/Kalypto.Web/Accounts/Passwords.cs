namespace Kalypto.Web.Accounts;

/// <summary>What a password may be (NIST SP 800-63B: length, none of those that everybody tries first, and no rules on what is in it).</summary>
internal static class Passwords
{
    /// <summary>Characters that a password has at least.</summary>
    public const int Shortest = 10;

    /// <summary>Characters that a password has at most: what is longer only keeps the server busy.</summary>
    public const int Longest = 200;

    /// <summary>Characters that the password of a link has at least.</summary>
    public const int ShortestOfLink = 8;

    // How hard to guess it is, by the estimate of zxcvbn, from 0 to 4: 2 withstands a million tries.
    private const int LowestScore = 2;

    // The estimate takes longer the longer they are, and says nothing new.
    private const int MostEstimated = 60;

    /// <summary>What is wrong with a password that somebody wants; null for nothing.</summary>
    /// <param name="password">The password.</param>
    /// <param name="about">What is known of the person, such as name and address: none of it is a password.</param>
    public static string? WrongIn(string? password, params IEnumerable<string> about) => password switch
    {
        null or { Length: < Shortest } => $"A password has {Shortest} characters or more. A few words that only you would put together are good ones.",
        { Length: > Longest } => $"A password has {Longest} characters at most.",
        _ when IsEasy(password, about) => "This password is easy to guess: it is common, or like your name or address. Choose a few words that only you would put together.",
        _ => null,
    };

    /// <summary>What is wrong with the password of a link; null for nothing, and for none.</summary>
    public static string? WrongInLink(string? password) => string.IsNullOrEmpty(password) ? null : password switch
    {
        { Length: < ShortestOfLink } => $"The password of a link has {ShortestOfLink} characters or more.",
        { Length: > Longest } => $"The password of a link has {Longest} characters at most.",
        _ when IsEasy(password, []) => "This password is easy to guess. Choose two or three words that do not belong together.",
        _ => null,
    };

    private static bool IsEasy(string password, IEnumerable<string> about)
    {
        string[] known = [.. about.SelectMany(a => a.Split('@', '.', ' ').Append(a)).Where(a => a.Length > 2)];
        return known.Any(k => string.Equals(k, password, StringComparison.OrdinalIgnoreCase))
            || Zxcvbn.Zxcvbn.MatchPassword(password[..Math.Min(password.Length, MostEstimated)], known).Score < LowestScore;
    }
}
