using Kalypto.Store.People;

namespace Kalypto.Web.Accounts;

/// <summary>An account while Identity works on it; what comes of it is kept as a row.</summary>
public sealed class Account
{
    /// <summary>The row as it is now.</summary>
    public required PersonRow Row { get; set; }

    /// <summary>The row as it was read.</summary>
    public required PersonRow Read { get; set; }

    /// <summary>An account that was read or is to be created.</summary>
    public static Account Of(PersonRow row) => new() { Row = row, Read = row };
}
