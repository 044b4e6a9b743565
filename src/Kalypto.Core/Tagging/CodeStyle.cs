using System.Text.RegularExpressions;

namespace Kalypto.Core.Tagging;

/// <summary>What the files with names for code are to say of the project that they are put into.</summary>
/// <param name="ClassName">The class, object or enum that holds the names.</param>
/// <param name="KotlinPackage">The package of the Kotlin file: the namespace of the module that holds the resources, so that <c>R</c> is found.</param>
/// <param name="Namespace">The namespace of the C# file.</param>
/// <param name="IsWpf">True for addresses as WPF takes them (pack URIs), false for those of WinUI and UWP (ms-appx).</param>
public sealed partial record CodeStyle(string ClassName, string KotlinPackage, string Namespace, bool IsWpf)
{
    /// <summary>What holds when nobody said anything.</summary>
    public static CodeStyle Usual { get; } = new("Pictures", "app", "App", false);

    /// <summary>What is wrong with it, as a sentence; null when it can be written in every language.</summary>
    public string? Mistake =>
        !Name().IsMatch(ClassName) ? $"“{ClassName}” cannot be a class: a large letter, then letters and digits, 40 at the most."
        : !Package().IsMatch(KotlinPackage) ? $"“{KotlinPackage}” cannot be a package: small words joined by dots, such as org.larkrise.visits."
        : !Dotted().IsMatch(Namespace) ? $"“{Namespace}” cannot be a namespace: words joined by dots, such as Larkrise.Visits."
        : null;

    [GeneratedRegex(@"\A[A-Z][A-Za-z0-9]{0,39}\z")]
    private static partial Regex Name();

    [GeneratedRegex(@"\A(?=.{1,120}\z)[a-z][a-z0-9_]*(\.[a-z][a-z0-9_]*)*\z")]
    private static partial Regex Package();

    [GeneratedRegex(@"\A(?=.{1,120}\z)[A-Z][A-Za-z0-9_]*(\.[A-Z][A-Za-z0-9_]*)*\z")]
    private static partial Regex Dotted();
}
