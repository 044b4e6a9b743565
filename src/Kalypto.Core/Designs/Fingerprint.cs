using System.Buffers.Binary;
using System.Security.Cryptography;
using System.Text;

namespace Kalypto.Core.Designs;

/// <summary>A SHA-256 value, as 64 lower-case hexadecimal digits.</summary>
/// <param name="Hex">The digits.</param>
public readonly record struct Fingerprint(string Hex)
{
    /// <summary>The fingerprint of an element: its name, its attributes and the fingerprints of its children.</summary>
    public static Fingerprint Of(Element element)
    {
        using var hash = new FingerprintBuilder();
        hash.Add(element.Name);
        foreach (var attribute in element.Attributes)
        {
            hash.Add(attribute.Name).Add(attribute.Value);
        }
        if (element.Wide is not null)
        {
            hash.Add("\0wide").Add(element.Wide);
        }
        foreach (var child in element.Children)
        {
            hash.Add(child is Element inner ? inner.Fingerprint.Hex : "\0" + ((TextNode)child).Text);
        }
        return hash.Build();
    }

    /// <summary>The fingerprint of bytes.</summary>
    public static Fingerprint Of(ReadOnlySpan<byte> bytes) => new(Convert.ToHexStringLower(SHA256.HashData(bytes)));

    /// <summary>The fingerprint of a sequence of texts; no two different sequences share one.</summary>
    public static Fingerprint Of(params ReadOnlySpan<string> parts)
    {
        var size = 0;
        foreach (var part in parts)
        {
            size += 4 + Encoding.UTF8.GetByteCount(part);
        }
        // One call of the hash over everything: keys are made by the thousand.
        Span<byte> all = size <= 2048 ? stackalloc byte[size] : new byte[size];
        var at = 0;
        foreach (var part in parts)
        {
            var count = Encoding.UTF8.GetBytes(part, all[(at + 4)..]);
            BinaryPrimitives.WriteInt32LittleEndian(all[at..], count);
            at += 4 + count;
        }
        return Of(all);
    }

    /// <inheritdoc/>
    public override string ToString() => Hex;
}
