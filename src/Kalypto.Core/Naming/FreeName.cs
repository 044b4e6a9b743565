using System.Globalization;

namespace Kalypto.Core.Naming;

/// <summary>Finds a name that nothing else has yet: the wanted one, or that with the first free number behind it, from 2.</summary>
public static class FreeName
{
    /// <summary>The name.</summary>
    /// <param name="wanted">The wanted one.</param>
    /// <param name="isTaken">True for a name that something else has.</param>
    /// <param name="between">What stands between the name and its number.</param>
    public static string Of(string wanted, Func<string, bool> isTaken, string between = "-")
    {
        var free = wanted;
        for (var number = 2; isTaken(free); number++)
        {
            free = string.Create(CultureInfo.InvariantCulture, $"{wanted}{between}{number}");
        }
        return free;
    }
}
