using System.Collections.Immutable;

namespace Kalypto.Core.Styling.Code;

/// <summary>All ways of writing values.</summary>
public static class AllCodes
{
    /// <summary>In the order in which they are shown.</summary>
    public static ImmutableArray<IValueCode> List { get; } = [new CssCode(), new SwiftUiCode(), new UiKitCode(), new ComposeCode(), new AndroidXmlCode(), new XamlCode(), new FlutterCode()];
}
