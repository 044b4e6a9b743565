using System.Globalization;
using System.Text;

namespace Kalypto.Core.Platforms.Android;

/// <summary>The drawable that shows the picture of the state a button is in (Color state list and state list drawable).</summary>
internal static class Selector
{
    // In a selector the first item that fits is taken, so the one that fits always comes last.
    private static readonly (string State, string Attribute)[] Selectable =
    [
        ("disabled", "android:state_enabled=\"false\""), ("pressed", "android:state_pressed=\"true\""), ("selected", "android:state_selected=\"true\""),
        ("focused", "android:state_focused=\"true\""), ("hover", "android:state_hovered=\"true\""),
    ];

    /// <summary>The resource.</summary>
    /// <param name="byState">The names of the pictures by state.</param>
    /// <param name="normal">The name of the one that is shown in no other state.</param>
    public static string Write(IReadOnlyDictionary<string, string> byState, string normal)
    {
        var xml = new StringBuilder("<?xml version=\"1.0\" encoding=\"utf-8\"?>\n<selector xmlns:android=\"http://schemas.android.com/apk/res/android\">\n");
        foreach (var (state, attribute) in Selectable)
        {
            if (byState.TryGetValue(state, out var name))
            {
                xml.Append(CultureInfo.InvariantCulture, $"    <item android:drawable=\"@drawable/{name}\" {attribute}/>\n");
            }
        }
        return xml.Append(CultureInfo.InvariantCulture, $"    <item android:drawable=\"@drawable/{normal}\"/>\n</selector>\n").ToString();
    }
}
