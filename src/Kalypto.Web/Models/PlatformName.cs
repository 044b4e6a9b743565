namespace Kalypto.Web.Models;

/// <summary>The name of a layer's files on one platform.</summary>
public sealed record PlatformName(string Platform, string Name);
