namespace Kalypto.Store;

/// <summary>Roles as they are kept.</summary>
internal static class Roles
{
    /// <summary>The text that is kept.</summary>
    public static string Text(this Role role) => role.ToString().ToLowerInvariant();

    /// <summary>The role of a kept text; none for any that is not known.</summary>
    public static Role Of(string? text) => Enum.TryParse<Role>(text, ignoreCase: true, out var role) && Enum.IsDefined(role) ? role : Role.None;
}
