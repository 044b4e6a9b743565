using Kalypto.Core.Checking;

namespace Kalypto.Core.Tests.Checking;

/// <summary>The pages of the documentation about checks, made from the code.</summary>
internal static class CheckPages
{
    public static Dictionary<string, string> All()
    {
        var pages = Checks.All.ToDictionary(c => $"{c.Id}.md", Page);
        pages["README.md"] = $"# Checks\n\nMade from the code by `scripts/write-docs.sh`.\n\n{string.Concat(Checks.All.OrderBy(c => c.Id, StringComparer.Ordinal).Select(c => $"- [{c.Name}]({c.Id}.md): {c.Text.What}\n"))}";
        return pages;
    }

    private static string Page(ICheck check) => $"""
        # {char.ToUpperInvariant(check.Name[0])}{check.Name[1..]}

        `{check.Id}`{(check.IsEssential ? " · always on: without it files would be lost or refused" : "")}

        {check.Text.What}

        **Why.** {check.Text.Why}

        **For example.** {check.Text.Example}

        **What to do.** {check.Text.Remedy}

        """.Replace("\r\n", "\n", StringComparison.Ordinal);
}
