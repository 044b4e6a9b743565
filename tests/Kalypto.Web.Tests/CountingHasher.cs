using Kalypto.Web.Accounts;
using Microsoft.AspNetCore.Identity;

namespace Kalypto.Web.Tests;

/// <summary>Counts how often a password is compared, which is what takes the time.</summary>
internal sealed class CountingHasher(HashCount count) : PasswordHasher<Account>
{
    public override PasswordVerificationResult VerifyHashedPassword(Account user, string hashedPassword, string providedPassword)
    {
        count.Add();
        return base.VerifyHashedPassword(user, hashedPassword, providedPassword);
    }
}
