namespace Kalypto.Core.Tagging;

/// <summary>The states of a button that are known by name.</summary>
public static class States
{
    /// <summary>Their names, as they are typed.</summary>
    public static IReadOnlyList<string> All { get; } = ["normal", "hover", "pressed", "focused", "selected", "disabled"];

    // What people also call them.
    private static readonly Dictionary<string, string> Others = new()
    {
        ["default"] = "normal",
        ["rest"] = "normal",
        ["hovered"] = "hover",
        ["over"] = "hover",
        ["active"] = "pressed",
        ["down"] = "pressed",
        ["focus"] = "focused",
        ["inactive"] = "disabled",
    };

    /// <summary>The state that a word of a name means; null when it means none.</summary>
    public static string? Of(string word) => All.Contains(word) ? word : Others.GetValueOrDefault(word);

    /// <summary>True when a name may end in a word that means a state; most names do not and need not be taken apart.</summary>
    public static bool MayEnd(string name)
    {
        var end = name.AsSpan().TrimEnd(" -_.()[]0123456789");
        foreach (var word in Endings)
        {
            if (end.EndsWith(word, StringComparison.OrdinalIgnoreCase))
            {
                return true;
            }
        }
        return false;
    }

    private static readonly string[] Endings = [.. All, .. Others.Keys];
}
